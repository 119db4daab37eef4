package codrane.app.stage.prepare;

import codrane.app.job.JobDesk;
import codrane.core.coding.TypedLines;
import codrane.core.job.JobState;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

/** A line sheet while it is typed. */
@RestController
class SheetTypedController {
    private static final int LONGEST = 20_000;

    private final JobDesk desk;
    private final SheetActs sheets;

    SheetTypedController(JobDesk desk, SheetActs sheets) {
        this.desk = desk;
        this.sheets = sheets;
    }

    @PostMapping("/jobs/{number}/line-sheet-judged")
    TypedLines judged(@PathVariable long number, @RequestParam String text) {
        JobState state = desk.state(number);
        if (text.length() > LONGEST || state.replaced().isEmpty())
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "No line sheet is typed here.");
        return sheets.judge(state, text);
    }
}
