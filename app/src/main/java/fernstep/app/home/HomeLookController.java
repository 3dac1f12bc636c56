package fernstep.app.home;

import fernstep.app.figure.Look;
import fernstep.app.figure.Looks;
import fernstep.app.support.NotFound;
import fernstep.app.support.Work;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** How she wants to be drawn, chosen by herself. */
@Controller
@Work(Work.Kind.NONE)
class HomeLookController {
    private final HomeLinks links;
    private final Looks looks;

    HomeLookController(HomeLinks links, Looks looks) {
        this.links = links;
        this.looks = looks;
    }

    /** Nothing chosen is the neutral look. */
    @PostMapping("/home/{token}/look")
    String choose(
            @PathVariable String token,
            @RequestParam(required = false) Look.@Nullable Skin skin,
            @RequestParam(required = false) Look.@Nullable Hair hair,
            @CookieValue(name = HomePageController.PASS, required = false) @Nullable String pass) {
        HomeLink link = links.find(token)
                .filter(found -> !links.expired(found) && !found.locked() && links.opens(found, pass))
                .orElseThrow(() -> new NotFound("no open page"));
        looks.put(link.clientId(), new Look(skin, hair));
        return "redirect:/home/" + token;
    }
}
