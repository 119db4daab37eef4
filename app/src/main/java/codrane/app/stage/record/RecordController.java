package codrane.app.stage.record;

import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Record. */
@Controller
@RequestMapping("/jobs/{number}")
class RecordController {
    private final RecordActs acts;

    RecordController(RecordActs acts) {
        this.acts = acts;
    }

    @PostMapping("/close")
    String close(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.close(number, who.getName()), number, "record", flash);
    }

    @PostMapping("/reopen")
    String reopen(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(acts.reopen(number, who.getName(), why), number, "record", flash);
    }

    @PostMapping("/menu")
    String menu(@PathVariable long number, @ModelAttribute MenuForm form, Principal who, RedirectAttributes flash) {
        return Led.to(acts.menu(number, form, who.getName()), number, "record", flash);
    }
}
