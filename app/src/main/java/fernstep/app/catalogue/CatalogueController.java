package fernstep.app.catalogue;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.figure.Drawn;
import fernstep.app.figure.Figures;
import fernstep.app.progress.Capacities;
import fernstep.app.progress.Ladders;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.core.plan.StandIns;
import fernstep.core.plan.Waiting;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Strands and rungs to look through, for anyone or for one client. */
@Controller
@Work(Work.Kind.NONE)
class CatalogueController {
    private final Catalogues catalogues;
    private final Clients clients;
    private final Ladders ladders;
    private final Capacities capacities;
    private final Words words;

    CatalogueController(Catalogues catalogues, Clients clients, Ladders ladders, Capacities capacities, Words words) {
        this.catalogues = catalogues;
        this.clients = clients;
        this.ladders = ladders;
        this.capacities = capacities;
        this.words = words;
    }

    /**
     * One rung in the list.
     *
     * @param leaf how it stands for her: open, unfurling, curled, gated; empty without a client
     * @param found what a search looks in, in small letters
     */
    public record Tile(Rung rung, Drawn figure, String leaf, String found) {}

    /** One strand in the list. */
    public record StrandTiles(CatalogueStrand strand, List<Tile> tiles) {}

    @GetMapping("/catalogue")
    String list(@RequestParam @Nullable Long client, Model model) {
        ClientFile file = client == null ? null : clients.file(client);
        Map<String, String> leaves = file == null ? Map.of() : ladders.leaves(file);
        model.addAttribute("client", file);
        model.addAttribute(
                "strands",
                catalogues.get().strands().stream()
                        .map(strand -> new StrandTiles(
                                strand,
                                strand.rungs().stream()
                                        .map(rung -> tile(rung, leaves))
                                        .toList()))
                        .toList());
        return "catalogue/catalogue";
    }

    private Tile tile(Rung rung, Map<String, String> leaves) {
        Drawn figure = Figures.still(rung, Body.of(null, null), rung.perSide() ? Side.LEFT : null, 1);
        return new Tile(
                rung, figure, leaves.getOrDefault(rung.code(), ""), found(rung).toLowerCase(Locale.ROOT));
    }

    /** Name, place, purpose, how, caution, equipment, and the joint or position that closes it or is spared. */
    private String found(Rung rung) {
        List<String> all = new ArrayList<>(List.of(
                rung.code(),
                rung.name(),
                words.name(rung),
                words.code(rung.strand()),
                words.code(rung.position()),
                words.code(rung.aim()),
                rung.howTo(),
                rung.caution()));
        rung.props().forEach(prop -> all.add(words.code(prop)));
        for (Restriction restriction : Restriction.values()) {
            if (rung.closedBy(Set.of(restriction)).isPresent()) {
                all.add(words.text("find.asks." + restriction));
                RungForm.openTo(rung, Set.of(restriction))
                        .ifPresent(form -> all.add(words.text("find.spares." + restriction)));
            }
        }
        return String.join(" ", all);
    }

    /** A gate and whether it still holds. */
    public record GateLine(String text, boolean open) {}

    @GetMapping("/catalogue/{code}")
    String rung(
            @PathVariable String code,
            @RequestParam @Nullable Long client,
            @RequestParam @Nullable Side side,
            @RequestParam(defaultValue = "") String massKg,
            @RequestParam(defaultValue = "") String heightCm,
            Model model) {
        Rung rung = catalogues.get().find(code).orElseThrow(() -> new NotFound("no rung " + code));
        ClientFile file = client == null ? null : clients.file(client);
        TypedBody typed = TypedBody.of(massKg, heightCm);
        Body body = file == null ? typed.body() : file.body();
        Side working = rung.perSide() ? Objects.requireNonNullElse(side, Side.LEFT) : null;
        Optional<Capacity> capacity =
                file == null || rung.family() == null ? Optional.empty() : capacities.of(file, rung.family(), working);
        Optional<Double> last = file == null ? Optional.empty() : capacities.lastIndex(file, rung, working);
        model.addAttribute("client", file);
        model.addAttribute("typed", typed);
        model.addAttribute("own", catalogues.own(code));
        model.addAttribute("catalogue", catalogues.get());
        model.addAttribute("body", body);
        model.addAttribute("sides", Side.values());
        model.addAttribute("view", RungView.of(rung, body, working, capacity, last, words));
        model.addAttribute("capacity", capacity.orElse(null));
        model.addAttribute("waiting", file == null ? null : ladders.waiting(file, rung, working));
        model.addAttribute("standIns", standIns(rung, file, body));
        model.addAttribute("activations", Stances.Activation.values());
        model.addAttribute(
                "spines",
                Arrays.stream(Stances.Spine.values())
                        .filter(spine -> rung.cues().containsKey(spine.name()))
                        .toList());
        model.addAttribute("stances", file == null ? null : file.stances());
        model.addAttribute("previous", catalogues.get().previous(rung).orElse(null));
        model.addAttribute("next", catalogues.get().next(rung).orElse(null));
        return "catalogue/rung";
    }

    /** For her: what closes it and what takes its place; for anyone: what would, if its position were closed. */
    private List<StandIns.StandIn> standIns(Rung rung, @Nullable ClientFile file, Body body) {
        Set<Restriction> closed = file == null
                ? Arrays.stream(Restriction.values())
                        .filter(restriction ->
                                rung.closedBy(Set.of(restriction)).isPresent())
                        .filter(restriction -> restriction != Restriction.NO_FLOOR)
                        .findFirst()
                        .map(Set::of)
                        .orElse(Set.of())
                : ladders.closed(file);
        return StandIns.of(catalogues.get(), rung, closed, body).stream()
                .limit(4)
                .toList();
    }

    /** Mass and height as typed, and what is wrong with them. */
    public record TypedBody(String massKg, String heightCm, Map<String, String> problems, Body body) {
        static TypedBody of(String massKg, String heightCm) {
            Map<String, String> problems = new java.util.HashMap<>();
            Double mass = number(massKg, "massKg", Range.MASS_KG, problems);
            Double height = number(heightCm, "heightCm", Range.HEIGHT_CM, problems);
            return new TypedBody(massKg, heightCm, problems, Body.of(mass, height));
        }

        private static @Nullable Double number(String text, String field, Range range, Map<String, String> problems) {
            if (text.isBlank()) {
                return null;
            }
            try {
                return range.check(Double.parseDouble(text.strip().replace(',', '.')));
            } catch (IllegalArgumentException e) {
                problems.put(field, range.label() + " " + range.allowed() + ".");
                return null;
            }
        }
    }

    static String words(List<Waiting> waiting, Words words) {
        return waiting.stream()
                .map(each -> words.of(each.reason()))
                .reduce((one, other) -> one + "; " + other)
                .orElse("");
    }
}
