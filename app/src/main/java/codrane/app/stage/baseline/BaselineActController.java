package codrane.app.stage.baseline;

import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The act at Baseline. */
@Controller
class BaselineActController {
    private final BaselineActs acts;

    BaselineActController(BaselineActs acts) {
        this.acts = acts;
    }

    @PostMapping("/jobs/{number}/baseline")
    String store(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String module,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(acts.store(number, module, who.getName()), number, "baseline", flash);
    }
}
