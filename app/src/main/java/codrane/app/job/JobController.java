package codrane.app.job;

import static java.util.Objects.requireNonNull;

import codrane.app.account.Role;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.live.JobTasks;
import codrane.app.live.LiveHub;
import codrane.app.press.PressFields;
import codrane.core.job.JobState;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.Stage;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages of a job: the frame, with what the stage's room puts into it. */
@Controller
class JobController {
    private final JobDesk desk;
    private final FrameMaker frames;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final LiveHub hub;
    private final Map<Stage, Room> rooms;

    JobController(
            JobDesk desk, FrameMaker frames, JobTasks tasks, Interfaces interfaces, LiveHub hub, List<Room> rooms) {
        this.desk = desk;
        this.frames = frames;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.hub = hub;
        this.rooms = rooms.stream().collect(Collectors.toMap(Room::stage, Function.identity()));
    }

    @GetMapping("/jobs/{number}/{stage}")
    String stage(
            @PathVariable long number,
            @PathVariable String stage,
            Authentication who,
            HttpServletRequest request,
            Model model) {
        // before the state: a task that ends in between must not look ended while its result is not shown
        Optional<JobTasks.Progress> task = tasks.of(number);
        JobState state = desk.state(number);
        Stage shown = stage.equals("now")
                ? HoldRules.progress(state).current()
                : Stage.of(stage).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Viewer viewer = new Viewer(who.getName(), Role.of(who), again(request, model));
        request.setAttribute(PressFields.SEEN, state.job().version());
        model.addAttribute("view", requireNonNull(rooms.get(shown)).view(state, viewer));
        // the view may have something asked for in the background
        Optional<JobTasks.Progress> begun = tasks.of(number).filter(t -> !t.ended());
        model.addAttribute("frame", frames.of(state, shown, begun.or(() -> task), viewer));
        return "stage/" + shown.key() + "/page";
    }

    /** A page that says how an act ended stays: loaded anew, it would no longer say it. */
    private static boolean again(HttpServletRequest request, Model model) {
        return request.getParameter("again") != null || model.containsAttribute("refused");
    }

    /** Asked before a page is loaded anew, so that it is not lost to an error. */
    @GetMapping("/alive")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void alive() {}

    @GetMapping("/jobs/{number}/access")
    String access(@PathVariable long number) {
        return "redirect:/access";
    }

    @GetMapping(path = "/jobs/{number}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable long number, HttpSession session) {
        JobState state = desk.state(number);
        String bench = interfaces.of(state.pack()).map(BenchInterface::name).orElse("none");
        return hub.listen(session.getId(), List.of("job-" + number, "interface-" + bench));
    }
}
