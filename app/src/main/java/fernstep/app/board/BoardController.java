package fernstep.app.board;

import fernstep.app.access.Access;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import fernstep.core.caseload.Attention;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What needs me today. */
@Controller
class BoardController {
    private static final int AT_FIRST = 60;
    private static final int MOST = 600;

    private final BoardRows rows;
    private final Access access;
    private final Words words;
    private final RowMarkup made;

    BoardController(BoardRows rows, Access access, Words words, RowMarkup made) {
        this.made = made;
        this.access = access;
        this.rows = rows;
        this.words = words;
    }

    @GetMapping("/")
    String board(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "" + AT_FIRST) int show,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        fill(q, show, me, model);
        return "board/board";
    }

    /** The rows alone, while somebody types. */
    @GetMapping("/board/rows")
    String rows(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "" + AT_FIRST) int show,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        fill(q, show, me, model);
        return "board/rows :: rows";
    }

    /** Every word must stand somewhere on the row. */
    private void fill(String text, int show, SignedIn me, Model model) {
        Set<Long> hidden = access.hiddenFrom(me.staffId());
        List<Board.Row> all = hidden.isEmpty()
                ? rows.all()
                : rows.all().stream().filter(row -> !hidden.contains(row.id())).toList();
        List<String> asked = Arrays.stream(text.toLowerCase(words.locale()).split("\\s+"))
                .filter(word -> !word.isBlank())
                .toList();
        List<Board.Row> found = asked.isEmpty()
                ? all
                : all.stream()
                        .filter(row -> asked.stream().allMatch(row.searched(words)::contains))
                        .toList();
        int shown = Math.max(1, Math.min(show, MOST));
        model.addAttribute("made", made);
        model.addAttribute("q", text);
        model.addAttribute("everybody", all.size());
        model.addAttribute("found", found.size());
        model.addAttribute("rows", found.subList(0, Math.min(shown, found.size())));
        model.addAttribute("more", found.size() > shown && shown < MOST ? Math.min(MOST, 3 * shown) : 0);
        model.addAttribute(
                "urgent",
                found.stream()
                        .filter(row -> row.urgency() <= Attention.Kind.NEXT_DAY.ordinal())
                        .count());
    }
}
