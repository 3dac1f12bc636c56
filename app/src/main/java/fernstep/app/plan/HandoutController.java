package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.contact.Contacts;
import fernstep.app.house.House;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.Languages;
import fernstep.app.support.PdfPages;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.schedule.DailyLife;
import fernstep.core.schedule.GarmentSchedule;
import fernstep.core.schedule.Prescription;
import fernstep.core.screening.Answer;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** What she takes home, as a PDF and as a page to print: each exercise drawn in the range prescribed, in her language. */
@Controller
@Work(Work.Kind.BEGINS)
class HandoutController {
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final Visits visits;
    private final Clients clients;
    private final Contacts contacts;
    private final House house;
    private final PdfPages pages;
    private final SpringTemplateEngine templates;
    private final Audit audit;
    private final Words words;

    HandoutController(
            Plans plans,
            Prescriptions prescriptions,
            Visits visits,
            Clients clients,
            Contacts contacts,
            House house,
            PdfPages pages,
            SpringTemplateEngine templates,
            Audit audit,
            Words words) {
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.visits = visits;
        this.clients = clients;
        this.contacts = contacts;
        this.house = house;
        this.pages = pages;
        this.templates = templates;
        this.audit = audit;
        this.words = words;
    }

    /**
     * What she is to do as it was signed, or as it would be proposed before that; while something has to be looked at first
     * there is none.
     *
     * @param language "en" or "es"; hers where it is left out
     */
    @GetMapping("/clients/{id}/handout.pdf")
    ResponseEntity<byte[]> handout(
            @PathVariable long id,
            @RequestParam(defaultValue = "A4") PdfPages.Paper paper,
            @RequestParam(required = false) @Nullable String language,
            @AuthenticationPrincipal SignedIn me,
            HttpServletRequest request) {
        ClientFile client = clients.file(id);
        Plans.Desk desk = plans.desk(client);
        speak(request, id, language);
        Context context = new Context(words.locale());
        context.setVariables(content(desk));
        context.setVariable("words", words);
        context.setVariable("sheet", paper.rule());
        context.setVariable("style", pages.figureStyle());
        context.setVariable("me", me);
        byte[] pdf = pages.pdf(templates.process("plan/handout", context));
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

    @GetMapping("/visits/{id}/plan/print")
    String print(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable String language,
            HttpServletRequest request,
            Model model) {
        Visit visit = visits.unlocked(id);
        speak(request, visit.client().id(), language);
        model.addAttribute("visit", visit);
        model.addAttribute("languages", Languages.FOR_CLIENTS);
        model.addAllAttributes(content(plans.desk(visit.client())));
        return "plan/print";
    }

    private void speak(HttpServletRequest request, long clientId, @Nullable String language) {
        Locale hers = language == null || !Languages.forClients(language)
                ? contacts.of(clientId).locale()
                : contacts.of(clientId).in(language);
        LanguageConfig.speak(request, hers);
    }

    private Map<String, Object> content(Plans.Desk desk) {
        Prescription prescription = prescriptions.of(desk);
        Map<String, Object> all = new HashMap<>();
        all.put("since", prescription.since());
        all.put("client", desk.client());
        all.put("day", desk.day());
        all.put("plan", prescription.plan());
        all.put(
                "views",
                prescription.plan().days().stream()
                        .map(day -> PlanView.of(desk, prescription.plan(), day.name(), null, words))
                        .toList());
        all.put(
                "emergencies",
                Arrays.stream(Answer.values())
                        .filter(Answer::emergency)
                        .filter(answer -> answer.mayApplyTo(desk.client().facts()))
                        .toList());
        GarmentSchedule garment = desk.garment().orElse(null);
        all.put("garment", garment);
        all.put(
                "life",
                DailyLife.on(desk.day(), garment).stream()
                        .filter(life -> !life.ofTheGarment())
                        .toList());
        all.put("house", house.facts());
        return all;
    }
}
