package fernstep.app.support;

import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Configuration;
import org.thymeleaf.context.IExpressionContext;
import org.thymeleaf.linkbuilder.StandardLinkBuilder;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Links of pages. Only what is shipped as a file carries the digest of its content; for any other link the server would
 * look through its own archive for a file of that name, which took a quarter of all its work.
 */
@Configuration
class PageLinks extends StandardLinkBuilder {
    private static final Pattern SHIPPED = Pattern.compile("[^?#]*\\.(?:css|js|svg|woff2)(?:[?#].*)?");

    @Autowired
    void usedBy(SpringTemplateEngine pages) {
        pages.setLinkBuilder(this);
    }

    @Override
    protected String processLink(IExpressionContext context, String link) {
        return SHIPPED.matcher(link).matches() ? super.processLink(context, link) : link;
    }
}
