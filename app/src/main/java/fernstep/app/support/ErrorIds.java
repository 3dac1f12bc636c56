package fernstep.app.support;

import java.util.Map;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.error.ErrorAttributeOptions;
import org.springframework.boot.webmvc.error.DefaultErrorAttributes;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.WebRequest;

/** Gives every error page an id that stands in the log too, and nothing of the stack trace. */
@Component
public class ErrorIds extends DefaultErrorAttributes {
    private static final int FAULT_OF_OURS = 500;
    private static final Logger LOG = LoggerFactory.getLogger(ErrorIds.class);

    /** An address whose last part opens something is cut before it. */
    static String withoutSecrets(String path) {
        return path.replaceFirst("^/(home|feeds|join|mail-off)/[^/]+", "/$1/…");
    }

    @Override
    public Map<String, Object> getErrorAttributes(WebRequest request, ErrorAttributeOptions options) {
        Map<String, Object> attributes = super.getErrorAttributes(request, ErrorAttributeOptions.defaults());
        String id = UUID.randomUUID().toString().substring(0, 8);
        attributes.put("errorId", id);
        Throwable error = getError(request);
        String path = withoutSecrets(String.valueOf(attributes.get("path")));
        boolean ours = attributes.get("status") instanceof Integer status && status >= FAULT_OF_OURS;
        // A refused request is one line; a fault of ours comes with its trace.
        if (ours) {
            LOG.error("error {} status {} at {}", id, attributes.get("status"), path, error);
        } else {
            LOG.warn(
                    "error {} status {} at {}: {}",
                    id,
                    attributes.get("status"),
                    path,
                    error == null ? "" : error.getClass().getSimpleName());
        }
        return attributes;
    }
}
