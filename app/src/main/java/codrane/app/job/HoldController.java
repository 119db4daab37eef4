package codrane.app.job;

import codrane.core.plan.HoldPoint;
import java.security.Principal;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Hold points that are kept or waived by a press. */
@Controller
@RequestMapping("/jobs/{number}")
class HoldController {
    private final HoldActs acts;

    HoldController(HoldActs acts) {
        this.acts = acts;
    }

    @PostMapping("/hold/{point}")
    String keep(
            @PathVariable long number,
            @PathVariable String point,
            @RequestParam Optional<String> from,
            Principal who,
            RedirectAttributes flash) {
        String back = from.filter(GuideController.PAGE::equals).orElse("now");
        return Led.to(acts.keep(number, point(point), who.getName(), "confirmed"), number, back, flash);
    }

    @PostMapping("/waive/{point}")
    String waive(
            @PathVariable long number,
            @PathVariable String point,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(acts.waive(number, point(point), who.getName(), why), number, "now", flash);
    }

    private static HoldPoint point(String key) {
        return HoldPoint.of(key).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
