package codrane.app.stage.run;

import codrane.app.job.Acted;
import codrane.app.job.Led;
import java.security.Principal;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Run. */
@Controller
@RequestMapping("/jobs/{number}")
class RunController {
    private final RunActs acts;
    private final RehearsalActs rehearsals;

    RunController(RunActs acts, RehearsalActs rehearsals) {
        this.acts = acts;
        this.rehearsals = rehearsals;
    }

    @PostMapping("/run")
    String run(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> release,
            Principal who,
            RedirectAttributes flash) {
        return run(acts.run(number, release, who.getName()), number, flash);
    }

    @PostMapping("/rehearse")
    String rehearse(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return run(rehearsals.rehearse(number, who.getName()), number, flash);
    }

    @PostMapping("/recover")
    String recover(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return run(acts.recover(number, who.getName()), number, flash);
    }

    /** A run that waits is stopped before its next step. */
    @PostMapping("/run/stop")
    String stop(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return run(acts.stop(number, who.getName()), number, flash);
    }

    private static String run(Acted acted, long number, RedirectAttributes flash) {
        return Led.to(acted, number, "run", flash);
    }
}
