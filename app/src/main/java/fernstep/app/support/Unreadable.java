package fernstep.app.support;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** What was sent is no value of its kind: no button of ours says it. */
@ResponseStatus(HttpStatus.BAD_REQUEST)
public class Unreadable extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Unreadable(String what, @Nullable Throwable cause) {
        super(what, cause);
    }
}
