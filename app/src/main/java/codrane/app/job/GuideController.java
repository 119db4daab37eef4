package codrane.app.job;

import codrane.app.account.Role;
import codrane.app.job.JobFrame.Button;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import java.security.Principal;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * A second person beside a job, in another browser: sees what the one at the vehicle sees, points at something, confirms
 * what can be judged from there. Nothing is written to a vehicle from here.
 */
@Controller
@RequestMapping("/jobs/{number}")
class GuideController {
    static final String PAGE = "guide";
    /** What can be judged without standing at the vehicle. */
    private static final Set<HoldPoint> FROM_ELSEWHERE = EnumSet.of(
            HoldPoint.CONSENT,
            HoldPoint.IDENTITY_SETTLED,
            HoldPoint.PLAN_AGREED,
            HoldPoint.LEAD_APPROVED,
            HoldPoint.GAPS_CONFIRMED);

    private static final int LONGEST_NOTE = 140;

    private final JobDesk desk;
    private final FrameMaker frames;
    private final Pointers pointers;

    GuideController(JobDesk desk, FrameMaker frames, Pointers pointers) {
        this.desk = desk;
        this.frames = frames;
        this.pointers = pointers;
    }

    /**
     * @param confirms hold points that this person may keep now
     * @param pointed at what, until it is seen
     */
    public record GuideView(
            JobFrame frame, List<Button> confirms, List<Spot> spots, Optional<Pointers.Pointed> pointed) {}

    @GetMapping("/guide")
    String guide(@PathVariable long number, Authentication who, Model model) {
        JobState state = desk.state(number);
        Viewer viewer = new Viewer(who.getName(), Role.of(who), true);
        JobFrame frame = frames.of(state, HoldRules.progress(state).current(), Optional.empty(), viewer);
        List<Button> confirms = frame.next().buttons().stream()
                .filter(b -> FROM_ELSEWHERE.stream().anyMatch(h -> b.href().endsWith("/hold/" + h.key())))
                .map(GuideController::comingBack)
                .toList();
        model.addAttribute(
                "view",
                new GuideView(frame, confirms, Spot.ALL, pointers.of(state.job().id())));
        return "job/guide";
    }

    private static Button comingBack(Button b) {
        return new Button(b.label(), b.href() + "?from=" + PAGE, b.post(), b.look(), b.strong(), b.reason());
    }

    /** @param note for the one at the vehicle; cut where it gets long */
    @PostMapping("/point")
    String point(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String spot,
            @RequestParam(defaultValue = "") String note,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = Spot.of(spot)
                .map(chosen -> pointers.point(number, who.getName(), chosen, cut(note.strip())))
                .orElseGet(() -> Acted.refused("Choose what you point at."));
        return Led.to(acted, number, PAGE, flash);
    }

    private static String cut(String note) {
        return note.length() > LONGEST_NOTE ? note.substring(0, LONGEST_NOTE) : note;
    }

    /** @param from the page that it was seen on, where it goes on */
    @PostMapping("/point/seen")
    String seen(@PathVariable long number, @RequestParam(defaultValue = "now") String from, RedirectAttributes flash) {
        if (!from.matches("[a-z]{1,20}")) throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        return Led.to(pointers.seen(number), number, from, flash);
    }
}
