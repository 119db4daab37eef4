package codrane.app.parts;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.job.Acted;
import codrane.app.packs.PackShelf;
import codrane.app.workshop.Times;
import codrane.core.job.PartState;
import java.security.Principal;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The old modules. */
@Controller
class PartsController {
    private final Parts parts;
    private final PackShelf packs;
    private final Times times;

    PartsController(Parts parts, PackShelf packs, Times times) {
        this.parts = parts;
        this.packs = packs;
        this.times = times;
    }

    @GetMapping("/parts")
    String parts(Authentication who, Model model) {
        boolean may = Routes.allows(Role.of(who), HttpMethod.POST, "/parts/1");
        model.addAttribute("view", PartsView.of(parts.all(), packs, times, may));
        return "parts/list";
    }

    @PostMapping("/parts/{job}")
    String say(
            @PathVariable long job,
            @RequestParam PartState state,
            @RequestParam(defaultValue = "") String detail,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = parts.say(job, state, detail, who.getName());
        if (acted instanceof Acted.Refused refused) flash.addFlashAttribute("refused", refused.sentence());
        return "redirect:/parts";
    }
}
