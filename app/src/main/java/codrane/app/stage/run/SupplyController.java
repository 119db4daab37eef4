package codrane.app.stage.run;

import codrane.app.job.JobDesk;
import codrane.app.live.RunStore;
import codrane.app.live.SupplyStore;
import codrane.app.workshop.Times;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.power.SupplyRecord;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The supply over a job's run, the newest or an earlier one. */
@Controller
class SupplyController {
    private static final int JOURNAL_ROWS = 5000;

    private final JobDesk desk;
    private final RunStore runs;
    private final SupplyStore supplies;
    private final Times times;

    SupplyController(JobDesk desk, RunStore runs, SupplyStore supplies, Times times) {
        this.desk = desk;
        this.runs = runs;
        this.supplies = supplies;
        this.times = times;
    }

    @GetMapping("/jobs/{number}/supply")
    String supply(@PathVariable long number, @RequestParam Optional<Long> run, Model model) {
        JobState state = desk.state(number);
        Optional<Long> id = run.filter(
                        wanted -> runs.belongs(wanted, state.job().id()))
                .or(() -> state.run().map(JobRun::id));
        List<SupplyRecord> found = id.map(supplies::of).orElse(List.of());
        if (found.isEmpty())
            throw new ResponseStatusException(
                    HttpStatus.NOT_FOUND, "The supply of this job's run is not known: no second of it was kept.");
        model.addAttribute(
                "view", SupplyView.of(state.job(), found, runs.journal(id.orElseThrow(), JOURNAL_ROWS), times));
        return "stage/run/supply";
    }
}
