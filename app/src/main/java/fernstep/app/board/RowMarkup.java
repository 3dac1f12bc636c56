package fernstep.app.board;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.support.Words;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** A row of the board as it stands in the page, made once as long as nothing on it changes: every open board asks for all. */
@Component
public class RowMarkup {
    private final SpringTemplateEngine templates;
    private final Words words;
    /** For as long as the row itself is kept. */
    private final Cache<Board.Row, Map<Locale, String>> made =
            Caffeine.newBuilder().weakKeys().build();

    RowMarkup(SpringTemplateEngine templates, Words words) {
        this.templates = templates;
        this.words = words;
    }

    public String of(Board.Row row) {
        return made.get(row, known -> new ConcurrentHashMap<>())
                .computeIfAbsent(
                        words.locale(),
                        locale ->
                                templates.process("board/row", new Context(locale, Map.of("r", row, "words", words))));
    }
}
