package fernstep.app.plan;

import fernstep.app.ask.VisitRow;
import fernstep.app.ask.Visits;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.PdfPages;
import fernstep.app.support.Words;
import fernstep.core.screening.Answer;
import java.util.Arrays;
import java.util.Map;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** What she takes home, as a PDF: each exercise drawn in the range prescribed, in black and white too. */
@Controller
class HandoutController {
    private final Plans plans;
    private final Visits visits;
    private final PdfPages pages;
    private final SpringTemplateEngine templates;
    private final Audit audit;
    private final Words words;

    HandoutController(
            Plans plans, Visits visits, PdfPages pages, SpringTemplateEngine templates, Audit audit, Words words) {
        this.plans = plans;
        this.visits = visits;
        this.pages = pages;
        this.templates = templates;
        this.audit = audit;
        this.words = words;
    }

    /** By the plan of her latest visit; while an emergency stands there is none. */
    @GetMapping("/clients/{id}/handout.pdf")
    ResponseEntity<byte[]> handout(
            @PathVariable long id,
            @RequestParam(defaultValue = "A4") PdfPages.Paper paper,
            @AuthenticationPrincipal SignedIn me) {
        VisitRow latest =
                visits.ofClient(id).stream().findFirst().orElseThrow(() -> new NotFound("no visit of client " + id));
        Plans.Desk desk = plans.desk(visits.unlocked(latest.id()));
        byte[] pdf = pages.pdf(templates.process("plan/handout", context(desk, paper, me)));
        audit.record(me.staffId(), id, "HANDOUT_MADE", paper.name());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .cacheControl(CacheControl.noStore())
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("handout-" + id + ".pdf")
                                .build()
                                .toString())
                .body(pdf);
    }

    private Context context(Plans.Desk desk, PdfPages.Paper paper, SignedIn me) {
        Context context = new Context(words.locale());
        context.setVariables(Map.of(
                "words",
                words,
                "sheet",
                paper.rule(),
                "style",
                pages.figureStyle(),
                "client",
                desk.client(),
                "day",
                desk.day(),
                "me",
                me,
                "plan",
                desk.plan(),
                "views",
                desk.plan().days().stream()
                        .map(d -> PlanView.of(desk, d.name(), null, words))
                        .toList(),
                "emergencies",
                Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(a -> a.mayApplyTo(desk.client().facts()))
                        .toList()));
        return context;
    }
}
