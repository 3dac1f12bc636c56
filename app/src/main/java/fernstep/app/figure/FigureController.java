package fernstep.app.figure;

import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.NotFound;
import fernstep.app.support.Work;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.measure.Side;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A figure alone, for pages that change the rung they show. */
@Controller
@Work(Work.Kind.NONE)
class FigureController {
    private final Catalogues catalogues;
    private final Clients clients;

    FigureController(Catalogues catalogues, Clients clients) {
        this.catalogues = catalogues;
        this.clients = clients;
    }

    @GetMapping("/figures/{code}")
    String figure(
            @PathVariable String code,
            @RequestParam @Nullable Long client,
            @RequestParam @Nullable Side side,
            @RequestParam(defaultValue = "1") double range,
            @RequestParam(defaultValue = "PLAIN") RungForm form,
            @RequestParam(defaultValue = "0") int kneesBent,
            @RequestParam(defaultValue = "false") boolean oneLimb,
            @RequestParam(defaultValue = "") Set<Helper> help,
            Model model) {
        Rung rung = catalogues.get().find(code).orElseThrow(() -> new NotFound("no rung " + code));
        Body body = client == null ? Body.of(null, null) : clients.file(client).body();
        double within = within(range);
        Rung done = new DoneSo(form, kneesBent, oneLimb, help).of(rung, body);
        model.addAttribute("f", Figures.moving(done, body, side, within));
        return "fragments/figure :: drawn(f=${f})";
    }

    /** What each sign looks like on her, doing this. */
    @GetMapping("/figures/{code}/signs")
    String signs(
            @PathVariable String code,
            @RequestParam @Nullable Long client,
            @RequestParam @Nullable Side side,
            @RequestParam(defaultValue = "1") double range,
            @RequestParam(defaultValue = "PLAIN") RungForm form,
            @RequestParam(defaultValue = "0") int kneesBent,
            @RequestParam(defaultValue = "false") boolean oneLimb,
            @RequestParam(defaultValue = "") Set<Helper> help,
            Model model) {
        Rung rung = catalogues.get().find(code).orElseThrow(() -> new NotFound("no rung " + code));
        Body body = client == null ? Body.of(null, null) : clients.file(client).body();
        double within = within(range);
        Rung done = new DoneSo(form, kneesBent, oneLimb, help).of(rung, body);
        model.addAttribute("pictures", SignPicture.all(done, body, side, within));
        return "fragments/figure :: signs(pictures=${pictures})";
    }

    private static double within(double range) {
        return Double.isNaN(range) ? 1 : Math.max(0, Math.min(1, range));
    }
}
