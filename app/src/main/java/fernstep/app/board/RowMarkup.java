package fernstep.app.board;

import fernstep.app.support.Words;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** A row of the board as it stands in the page, made once as long as nothing on it changes: every open board asks for all. */
@Component
public class RowMarkup {
    private final SpringTemplateEngine templates;
    private final Words words;

    RowMarkup(SpringTemplateEngine templates, Words words) {
        this.templates = templates;
        this.words = words;
    }

    public String of(Board.Row row) {
        return row.markup().computeIfAbsent(words.locale(), locale -> {
            Context context = new Context(locale, Map.of("r", row, "words", words));
            return templates.process("board/row", context);
        });
    }
}
