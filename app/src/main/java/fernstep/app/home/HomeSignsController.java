package fernstep.app.home;

import fernstep.app.client.Clients;
import fernstep.app.contact.Contacts;
import fernstep.app.figure.DoneSo;
import fernstep.app.figure.SignPicture;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.LanguageConfig;
import fernstep.app.support.NotFound;
import fernstep.app.support.Work;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Side;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What she is to watch for in an exercise, drawn on her: read when she opens it, and kept for when there is no connection. */
@Controller
@Work(Work.Kind.NONE)
class HomeSignsController {
    private final HomeLinks links;
    private final Clients clients;
    private final Contacts contacts;
    private final Catalogues catalogues;

    HomeSignsController(HomeLinks links, Clients clients, Contacts contacts, Catalogues catalogues) {
        this.links = links;
        this.clients = clients;
        this.contacts = contacts;
        this.catalogues = catalogues;
    }

    @GetMapping("/home/{token}/signs/{code}")
    String signs(
            @PathVariable String token,
            @PathVariable String code,
            @RequestParam(required = false) @Nullable Side side,
            @RequestParam(defaultValue = "1") double range,
            @RequestParam(defaultValue = "PLAIN") RungForm form,
            @RequestParam(defaultValue = "0") int kneesBent,
            @RequestParam(defaultValue = "false") boolean oneLimb,
            @RequestParam(defaultValue = "") Set<Helper> help,
            @CookieValue(name = HomePageController.PASS, required = false) @Nullable String pass,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model) {
        HomeLink link = links.find(token)
                .filter(found -> !links.expired(found) && !found.locked() && links.opens(found, pass))
                .orElseThrow(() -> new NotFound("no open page"));
        Rung rung = catalogues.get().find(code).orElseThrow(() -> new NotFound("no rung " + code));
        LanguageConfig.speak(request, contacts.of(link.clientId()).locale());
        double within = Double.isNaN(range) ? 1 : Math.max(0, Math.min(1, range));
        Body body = clients.file(link.clientId()).body();
        Rung done = new DoneSo(form, kneesBent, oneLimb, help).of(rung, body);
        model.addAttribute("pictures", SignPicture.watched(done, body, side, within));
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setHeader("X-Fern-Home", "open");
        return "fragments/figure :: herSigns(pictures=${pictures})";
    }
}
