package fernstep.app.board;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What needs me today. */
@Controller
class BoardController {
    private final Board board;

    BoardController(Board board) {
        this.board = board;
    }

    @GetMapping("/")
    String board(Model model) {
        model.addAttribute("rows", board.rows());
        return "board/board";
    }
}
