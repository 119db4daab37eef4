package codrane.app.stage.identify;

import codrane.app.job.Led;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Identify; a scan again is asked for at Prove, too. */
@Controller
@RequestMapping("/jobs/{number}")
class IdentifyController {
    private final ScanActs scans;
    private final FaultActs faults;

    IdentifyController(ScanActs scans, FaultActs faults) {
        this.scans = scans;
        this.faults = faults;
    }

    @PostMapping("/scan")
    String scan(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(scans.scan(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/ask-module")
    String ask(@PathVariable long number, @RequestParam String address, Principal who, RedirectAttributes flash) {
        return Led.to(scans.ask(number, address, who.getName()), number, "identify", flash);
    }

    @PostMapping("/fault-note")
    String note(
            @PathVariable long number,
            @RequestParam String module,
            @RequestParam String code,
            @RequestParam(defaultValue = "") String note,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(faults.note(number, module, code, note, who.getName()), number, "identify", flash);
    }
}
