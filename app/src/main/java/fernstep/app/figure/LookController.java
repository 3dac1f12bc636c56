package fernstep.app.figure;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Work;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Skin and hair of the figures that a client sees. */
@Controller
@Work(Work.Kind.NONE)
class LookController {
    private final Looks looks;
    private final Clients clients;
    private final Catalogues catalogues;

    LookController(Looks looks, Clients clients, Catalogues catalogues) {
        this.looks = looks;
        this.clients = clients;
        this.catalogues = catalogues;
    }

    /**
     * What the page shows.
     *
     * @param now what is chosen
     * @param figure of her, to see it on
     */
    public record Page(ClientFile client, Look now, Drawn figure) {
        public Look.Skin[] skins() {
            return Look.Skin.values();
        }

        public Look.Hair[] hairs() {
            return Look.Hair.values();
        }
    }

    @GetMapping("/clients/{id}/look")
    String page(@PathVariable long id, Model model) {
        ClientFile client = clients.file(id);
        Rung rung = catalogues.get().rungs().stream()
                .filter(sits -> sits.position() == Position.SEATED)
                .findFirst()
                .orElseGet(() -> catalogues.get().at(Waymark.BREATH_FIRST));
        model.addAttribute("client", client);
        model.addAttribute(
                "page",
                new Page(client, looks.of(id), Drawn.moving(FigureDrawing.bare(rung, client.body(), Side.LEFT, 1))));
        return "figure/look";
    }

    /** Nothing chosen is the neutral look. */
    @PostMapping("/clients/{id}/look")
    String choose(
            @PathVariable long id,
            @RequestParam(required = false) Look.@Nullable Skin skin,
            @RequestParam(required = false) Look.@Nullable Hair hair) {
        clients.file(id);
        looks.put(id, new Look(skin, hair));
        return "redirect:/clients/" + id + "/look";
    }
}
