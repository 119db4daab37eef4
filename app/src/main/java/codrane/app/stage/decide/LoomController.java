package codrane.app.stage.decide;

import codrane.app.account.Role;
import codrane.app.job.JobDesk;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.job.VehicleSettings;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The settings of a job's vehicle, bit by bit, and found by word, key or value. */
@Controller
class LoomController {
    private static final int LONGEST_WORDS = 60;

    private final JobDesk desk;

    LoomController(JobDesk desk) {
        this.desk = desk;
    }

    /**
     * @param find words to look for, over all modules
     * @param block layout that is shown
     * @param setting layout, slash, field: one that is looked at closer
     */
    @GetMapping("/jobs/{number}/coding")
    String coding(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String setting,
            Authentication who,
            Model model) {
        JobState state = desk.state(number);
        Scan scan = state.after().or(state::before).orElseThrow(LoomController::none);
        VehicleSettings settings = VehicleSettings.of(state, scan);
        if (settings.all().isEmpty()) throw none();
        String words = find.length() > LONGEST_WORDS ? find.substring(0, LONGEST_WORDS) : find;
        Viewer viewer = new Viewer(who.getName(), Role.of(who), false);
        model.addAttribute("view", LoomView.of(state, scan, settings, viewer, words, block, setting));
        return "stage/decide/loom";
    }

    private static ResponseStatusException none() {
        return new ResponseStatusException(
                HttpStatus.NOT_FOUND, "No settings of this vehicle were read yet: scan it first.");
    }
}
