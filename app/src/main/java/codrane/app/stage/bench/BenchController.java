package codrane.app.stage.bench;

import codrane.app.job.Acted;
import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Bench. */
@Controller
@RequestMapping("/jobs/{number}")
class BenchController {
    private final BenchActs acts;

    BenchController(BenchActs acts) {
        this.acts = acts;
    }

    @PostMapping("/bench")
    String ask(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.ask(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/bench-notes")
    String note(@PathVariable long number, @ModelAttribute BenchForm form, Principal who, RedirectAttributes flash) {
        Acted acted = acts.note(number, form, who.getName());
        if (acted instanceof Acted.Refused) flash.addFlashAttribute("typed", form);
        return Led.to(acted, number, "bench", flash);
    }

    @PostMapping("/old-module-read")
    String readOld(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.readOld(number, who.getName()), number, "now", flash);
    }
}
