package codrane.app.stage.unlock;

import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Unlock. */
@Controller
@RequestMapping("/jobs/{number}")
class UnlockController {
    private final UnlockActs acts;

    UnlockController(UnlockActs acts) {
        this.acts = acts;
    }

    @PostMapping("/access/technician")
    String technician(
            @PathVariable long number, @RequestParam String technician, Principal who, RedirectAttributes flash) {
        return Led.to(acts.addTechnician(number, technician, who.getName()), number, "unlock", flash);
    }

    @PostMapping("/access/tool")
    String tool(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.addTool(number, who.getName()), number, "unlock", flash);
    }

    @PostMapping("/authorise")
    String authorise(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(acts.authorise(number, who.getName()), number, "unlock", flash);
    }
}
