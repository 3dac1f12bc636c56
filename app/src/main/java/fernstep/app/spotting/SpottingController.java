package fernstep.app.spotting;

import fernstep.app.figure.Drawn;
import fernstep.app.figure.Spotted;
import fernstep.app.run.SignKeys;
import fernstep.app.security.SignedIn;
import fernstep.app.support.NotFound;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Move;
import fernstep.core.findings.SignCode;
import fernstep.core.findings.SignGroup;
import fernstep.core.spotting.Channel;
import fernstep.core.spotting.Level;
import fernstep.core.spotting.Mark;
import fernstep.core.spotting.SimulatedClient;
import java.security.SecureRandom;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import tools.jackson.databind.json.JsonMapper;

/** The sign-spotting trainer. */
@Controller
class SpottingController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    /** What she may choose, mildest first. */
    private static final List<Move> CHOICES =
            List.of(Move.CARRY_ON, Move.CUE, Move.EASE, Move.END_SET, Move.STEP_BACK, Move.END_EXERCISE);

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final Body HER = Body.of(null, null);

    /**
     * A figure with what changes it, for the page.
     *
     * @param changes as JSON
     */
    record View(Drawn figure, String changes) {
        static View of(Spotted spotted) {
            return new View(Drawn.moving(spotted.figure()), JSON.writeValueAsString(spotted.changes()));
        }
    }

    /** A repetition as the page plays it: how long, and how much of each sign. */
    record Shows(double seconds, Map<SignCode, Double> shows) {
        static Shows of(SimulatedClient.Rep rep) {
            return new Shows(
                    rep.seconds(),
                    rep.shows().entrySet().stream()
                            .collect(Collectors.toMap(shown -> shown.getKey().sign(), Map.Entry::getValue)));
        }
    }

    private final Rounds rounds;
    private final SecureRandom random = new SecureRandom();

    SpottingController(Rounds rounds) {
        this.rounds = rounds;
    }

    @GetMapping("/spotting")
    String start(
            @RequestParam(required = false) @Nullable String rung, @AuthenticationPrincipal SignedIn me, Model model) {
        List<Rung> rungs = rounds.rungs();
        List<RoundRow> latest = rounds.latest(me.staffId());
        Level level = Level.after(latest.stream().map(RoundRow::played).toList());
        String chosen = rung == null || rung.isBlank()
                ? rungs.get(random.nextInt(rungs.size())).code()
                : rung;
        SimulatedClient her = rounds.client(random.nextInt(Integer.MAX_VALUE), chosen, level.number());
        model.addAttribute("her", her);
        model.addAttribute(
                "reps",
                JSON.writeValueAsString(her.reps().stream().map(Shows::of).toList()));
        List<SignCode> seen = Channel.signs();
        model.addAttribute("beside", View.of(Spotted.beside(her.rung(), HER, seen)));
        model.addAttribute("feet", View.of(Spotted.fromHerFeet(her.rung(), HER, seen)));
        model.addAttribute("face", View.of(Spotted.face(rounds.sitting(), HER, seen)));
        model.addAttribute("rungs", rungs);
        model.addAttribute("choices", CHOICES);
        model.addAttribute("groups", SignGroup.values());
        model.addAttribute("keys", SignKeys.byName());
        model.addAttribute("visible", visible(her.rung()));
        model.addAttribute("newFormId", UUID.randomUUID().toString());
        model.addAttribute("latest", latest);
        model.addAttribute("bySign", rounds.bySign(latest));
        return "spotting/spotting";
    }

    private static List<SignCode> visible(Rung rung) {
        return Channel.signs().stream()
                .filter(code -> code != SignCode.BELLY_DROPS || rung.position() == Position.HANDS_KNEES)
                .toList();
    }

    @PostMapping("/spotting")
    String played(
            @RequestParam String formId,
            @RequestParam int seed,
            @RequestParam String rung,
            @RequestParam int level,
            @RequestParam String marks,
            @AuthenticationPrincipal SignedIn me) {
        if (!formId.matches(UUID_SHAPE)) {
            return "redirect:/spotting";
        }
        SimulatedClient her = rounds.client(seed, rung, level);
        rounds.keep(formId, me.staffId(), her, read(marks));
        return "redirect:/spotting/" + formId;
    }

    private static List<Mark> read(String marks) {
        try {
            return MarkJson.read(marks);
        } catch (IllegalArgumentException e) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, e.getMessage(), e);
        }
    }

    /** What showed, what was called and what the rules would have done. */
    @GetMapping("/spotting/{formId}")
    String round(@PathVariable String formId, @AuthenticationPrincipal SignedIn me, Model model) {
        RoundRow round = rounds.round(formId, me.staffId()).orElseThrow(() -> new NotFound("no round " + formId));
        SimulatedClient her = rounds.client(round.seed(), round.rung(), round.level());
        List<RoundRow> latest = rounds.latest(me.staffId());
        model.addAttribute("her", her);
        model.addAttribute("score", rounds.score(her, MarkJson.read(round.marks())));
        model.addAttribute("latest", latest);
        model.addAttribute(
                "level", Level.after(latest.stream().map(RoundRow::played).toList()));
        model.addAttribute("bySign", rounds.bySign(latest));
        return "spotting/round";
    }
}
