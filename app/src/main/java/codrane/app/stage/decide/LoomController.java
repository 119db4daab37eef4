package codrane.app.stage.decide;

import codrane.app.account.Role;
import codrane.app.job.JobDesk;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.job.VehicleSettings;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;

/** The settings of a job's vehicle, bit by bit, and found by word, key or value. */
@Controller
class LoomController {
    private static final int LONGEST_WORDS = 60;

    private final JobDesk desk;
    private final Favourites favourites;

    LoomController(JobDesk desk, Favourites favourites) {
        this.desk = desk;
        this.favourites = favourites;
    }

    /**
     * @param find words to look for, over all modules
     * @param block layout that is shown
     * @param setting layout, slash, field: one that is looked at closer
     * @param octet of the block, from 0: one that is looked at bit by bit
     */
    @GetMapping("/jobs/{number}/coding")
    String coding(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String find,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String setting,
            @RequestParam(defaultValue = "-1") int octet,
            Authentication who,
            Model model) {
        JobState state = desk.state(number);
        Scan scan = state.after().or(state::before).orElseThrow(LoomController::none);
        VehicleSettings settings = VehicleSettings.of(state, scan);
        if (settings.all().isEmpty()) throw none();
        String words = find.length() > LONGEST_WORDS ? find.substring(0, LONGEST_WORDS) : find;
        Viewer viewer = new Viewer(who.getName(), Role.of(who), false);
        FavouritesView often =
                FavouritesView.of(state, settings, favourites.of(state.pack().id()), setting, viewer);
        LoomView.Looked at = new LoomView.Looked(block, setting, octet);
        model.addAttribute("view", LoomView.of(state, scan, settings, often, viewer, words, at));
        return "stage/decide/loom";
    }

    /**
     * @param job to whose settings it leads back
     * @param on whether it is a favourite from now on
     */
    @PostMapping("/favourites")
    String favourite(
            @RequestParam String pack,
            @RequestParam String setting,
            @RequestParam long job,
            @RequestParam boolean on,
            Principal who,
            RedirectAttributes flash) {
        favourites.mark(pack, setting, on, who.getName()).ifPresent(no -> flash.addFlashAttribute("refused", no));
        return "redirect:"
                + UriComponentsBuilder.fromPath("/jobs/{job}/coding")
                        .queryParam("setting", "{setting}")
                        .encode()
                        .buildAndExpand(job, setting)
                        .toUriString();
    }

    private static ResponseStatusException none() {
        return new ResponseStatusException(
                HttpStatus.NOT_FOUND, "No settings of this vehicle were read yet: scan it first.");
    }
}
