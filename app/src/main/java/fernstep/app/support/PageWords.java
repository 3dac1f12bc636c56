package fernstep.app.support;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** The wording, for every page. */
@ControllerAdvice
class PageWords {
    private final Words words;

    PageWords(Words words) {
        this.words = words;
    }

    @ModelAttribute("words")
    Words words() {
        return words;
    }
}
