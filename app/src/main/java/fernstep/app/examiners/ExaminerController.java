package fernstep.app.examiners;

import fernstep.app.security.SignedIn;
import fernstep.app.security.Staff;
import fernstep.app.support.FormProblems;
import fernstep.app.support.Words;
import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.Range;
import fernstep.core.measure.Reason;
import fernstep.core.separation.FingerCalibration;
import fernstep.core.separation.Method;
import jakarta.servlet.http.HttpSession;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** An examiner's own fingers and how well she repeats herself; the trainer. */
@Controller
class ExaminerController {
    private static final String ROUND = "trainerRound";

    private final Examiners examiners;
    private final SecureRandom random = new SecureRandom();

    private final Words words;

    ExaminerController(Examiners examiners, Words words) {
        this.words = words;
        this.examiners = examiners;
    }

    /** One examiner's line in the house. */
    public record Line(String name, boolean me, Repeatability repeatability) {
        /** How much of her error all readings of a visit have in common. */
        public String visitShare(Words words) {
            return repeatability
                    .visitSharePercent()
                    .map(percent -> words.text("examiner.visitShareOwn", percent))
                    .orElseGet(() -> words.text("examiner.visitShareUsual"));
        }
    }

    @GetMapping("/examiner")
    String examiner(@AuthenticationPrincipal SignedIn me, Model model) {
        Staff account = examiners.account(me.staffId());
        return page(
                model,
                me,
                List.of(
                        typed(account.finger1Mm()),
                        typed(account.finger2Mm()),
                        typed(account.finger3Mm()),
                        typed(account.finger4Mm())),
                new FormProblems(words));
    }

    private static String typed(@Nullable Double mm) {
        return mm == null ? "" : String.valueOf(mm);
    }

    @PostMapping("/examiner/fingers")
    String calibrate(
            @RequestParam(defaultValue = "") String finger1,
            @RequestParam(defaultValue = "") String finger2,
            @RequestParam(defaultValue = "") String finger3,
            @RequestParam(defaultValue = "") String finger4,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        List<String> typed = List.of(finger1, finger2, finger3, finger4);
        FormProblems problems = new FormProblems(words);
        List<Double> widths = new ArrayList<>();
        for (int i = 0; i < typed.size(); i++) {
            Double mm = problems.number("finger" + (i + 1), typed.get(i), Range.FINGER_TABLE_MM);
            if (mm == null) {
                problems.add(
                        "finger" + (i + 1),
                        Reason.of("told.mustBe", Range.FINGER_TABLE_MM, Range.FINGER_TABLE_MM.span()));
            } else {
                widths.add(mm);
            }
        }
        if (!problems.any()) {
            try {
                examiners.calibrate(me.staffId(), FingerCalibration.of(widths));
                return "redirect:/examiner?saved";
            } catch (IllegalArgumentException e) {
                problems.add("finger4", Reason.of("told.eachFingerMustAddWidth"));
            }
        }
        return page(model, me, typed, problems);
    }

    @PostMapping("/examiner/pairs")
    String pair(
            @RequestParam String formId,
            @RequestParam(defaultValue = "") String method,
            @RequestParam(defaultValue = "WITHIN_VISIT") String taken,
            @RequestParam(defaultValue = "") String first,
            @RequestParam(defaultValue = "") String second,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        FormProblems problems = new FormProblems(words);
        Method chosen = problems.neededCode("method", method, Method.class);
        Repeat repeat = problems.neededCode("taken", taken, Repeat.class);
        Range range = chosen == Method.FINGERS ? Range.FINGERS : Range.WIDTH_MM;
        Double one = problems.number("first", first, range);
        Double two = problems.number("second", second, range);
        if (problems.any()) {
            return examinerWith(model, me, problems);
        }
        if (one == null || two == null) {
            problems.add("second", Reason.of("told.bothReadings", range.span()));
            return examinerWith(model, me, problems);
        }
        FingerCalibration fingers = examiners.examiner(me.staffId()).calibration();
        boolean inFingers = chosen == Method.FINGERS;
        examiners.keep(new PairRow(
                formId,
                me.staffId(),
                false,
                repeat,
                chosen,
                inFingers ? fingers.toMm(one) : one,
                inFingers ? fingers.toMm(two) : two,
                null));
        return "redirect:/examiner?pair#pairs";
    }

    private String examinerWith(Model model, SignedIn me, FormProblems problems) {
        String view = examiner(me, model);
        model.addAttribute("problems", problems.byField());
        return view;
    }

    private String page(Model model, SignedIn me, List<String> fingers, FormProblems problems) {
        model.addAttribute("fingers", fingers);
        model.addAttribute(
                "calibrated",
                examiners.account(me.staffId()).examiner().calibration().measured());
        model.addAttribute("problems", problems.byField());
        model.addAttribute("methods", Method.values());
        model.addAttribute("repeats", Repeat.values());
        model.addAttribute("pairsNeeded", MeasurementError.PAIRS_NEEDED);
        model.addAttribute("lines", lines(me));
        model.addAttribute("newFormId", UUID.randomUUID().toString());
        return "examiners/examiner";
    }

    private List<Line> lines(SignedIn me) {
        List<Line> lines = new ArrayList<>();
        examiners.all().forEach(staff -> {
            if (staff.id() != null) {
                examiners
                        .repeatability(staff.id())
                        .forEach(repeatability ->
                                lines.add(new Line(staff.fullName(), staff.id() == me.staffId(), repeatability)));
            }
        });
        return lines;
    }

    @GetMapping("/trainer")
    String trainer(@AuthenticationPrincipal SignedIn me, HttpSession session, Model model) {
        TrainerRound round = (TrainerRound) session.getAttribute(ROUND);
        if (round == null) {
            round = TrainerRound.random(UUID.randomUUID().toString(), random);
            session.setAttribute(ROUND, round);
        }
        model.addAttribute("round", round);
        model.addAttribute("fingers", examiners.examiner(me.staffId()).calibration());
        model.addAttribute(
                "mine",
                examiners.repeatability(me.staffId()).stream()
                        .filter(repeatability -> repeatability.method() == Method.FINGERS)
                        .findFirst()
                        .orElse(null));
        model.addAttribute("pairsNeeded", MeasurementError.PAIRS_NEEDED);
        model.addAttribute("lines", lines(me));
        return "examiners/trainer";
    }

    /** Both blind readings of a round; the truth is shown only now. */
    @PostMapping("/trainer")
    String measured(
            @RequestParam String roundId,
            @RequestParam double first,
            @RequestParam double second,
            @AuthenticationPrincipal SignedIn me,
            HttpSession session,
            Model model) {
        TrainerRound round = (TrainerRound) session.getAttribute(ROUND);
        if (round != null && round.id().equals(roundId) && Range.FINGERS.holds(first) && Range.FINGERS.holds(second)) {
            FingerCalibration fingers = examiners.examiner(me.staffId()).calibration();
            PairRow pair = new PairRow(
                    round.id(),
                    me.staffId(),
                    true,
                    Repeat.WITHIN_VISIT,
                    Method.FINGERS,
                    fingers.toMm(first),
                    fingers.toMm(second),
                    round.widthMm());
            examiners.keep(pair);
            session.removeAttribute(ROUND);
            model.addAttribute("revealed", pair);
        }
        return trainer(me, session, model);
    }
}
