package codrane.app.stage.settle;

import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Settle. */
@Controller
class SettleController {
    private final SettleActs acts;

    SettleController(SettleActs acts) {
        this.acts = acts;
    }

    @PostMapping("/jobs/{number}/settle-sleep")
    String watch(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.watch(number, who.getName()), number, "now", flash);
    }
}
