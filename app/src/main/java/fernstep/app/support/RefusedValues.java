package fernstep.app.support;

import fernstep.core.measure.OutOfRange;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MultipartException;

/** Values that a domain type refuses and forms that cannot be read are the sender's, not a fault of ours. */
@ControllerAdvice
class RefusedValues {
    @ExceptionHandler({OutOfRange.class, MultipartException.class})
    void refused(HttpServletResponse response) throws IOException {
        response.sendError(HttpServletResponse.SC_BAD_REQUEST);
    }
}
