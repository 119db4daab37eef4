package codrane.app.history;

import codrane.app.live.RunStore;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.Times;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The runs of the workshop, and who did what. */
@Controller
class HistoryController {
    private static final int LONGEST = 60;

    private final RunStore runs;
    private final AuditTrail audit;
    private final Times times;

    HistoryController(RunStore runs, AuditTrail audit, Times times) {
        this.runs = runs;
        this.audit = audit;
        this.times = times;
    }

    /** @param before id of the run above which the page ends */
    @GetMapping("/records")
    String runs(@RequestParam(defaultValue = Long.MAX_VALUE + "") long before, Model model) {
        model.addAttribute("view", RunsView.of(runs.before(before, Paged.MOST + 1), before == Long.MAX_VALUE, times));
        return "history/runs";
    }

    /** @param q a person, a job's number, or what was acted on; empty for all */
    @GetMapping("/records/acts")
    String acts(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = Long.MAX_VALUE + "") long before,
            Model model) {
        String asked = q.strip();
        String about =
                asked.matches("\\d{1,9}") ? "job " + asked : asked.substring(0, Math.min(LONGEST, asked.length()));
        model.addAttribute("view", ActsView.of(asked, audit.before(before, about, Paged.MOST + 1), times));
        return "history/acts";
    }
}
