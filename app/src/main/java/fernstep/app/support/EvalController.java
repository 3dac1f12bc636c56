package fernstep.app.support;

import fernstep.exchange.eval.Eval;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The same rules over HTTP, for a signed-in user. */
@RestController
public class EvalController {
    private final Eval eval;

    public EvalController(Eval eval) {
        this.eval = eval;
    }

    @PostMapping(path = "/api/eval", produces = MediaType.APPLICATION_JSON_VALUE)
    public ResponseEntity<String> eval(@RequestBody String request) {
        Eval.Answer answer = eval.answer(request);
        return ResponseEntity.status(answer.usable() ? 200 : 422).body(answer.json());
    }
}
