package fernstep.app.support;

import fernstep.core.measure.OutOfRange;
import jakarta.servlet.http.HttpServletResponse;
import java.beans.PropertyEditorSupport;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.LocalDate;
import org.springframework.web.bind.WebDataBinder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.InitBinder;
import org.springframework.web.multipart.MultipartException;

/** Values that a domain type refuses and forms that cannot be read are the sender's, not a fault of ours. */
@ControllerAdvice
class RefusedValues {
    /** Days that no calendar of ours holds are refused where they come in, not in the database. */
    @InitBinder
    void days(WebDataBinder binder) {
        binder.registerCustomEditor(LocalDate.class, new PropertyEditorSupport() {
            @Override
            public void setAsText(String typed) {
                try {
                    setValue(typed.isBlank() ? null : Days.parse(typed));
                } catch (DateTimeException e) {
                    throw new IllegalArgumentException(e.getMessage(), e);
                }
            }
        });
    }

    @ExceptionHandler({OutOfRange.class, MultipartException.class})
    void refused(HttpServletResponse response) throws IOException {
        response.sendError(HttpServletResponse.SC_BAD_REQUEST);
    }
}
