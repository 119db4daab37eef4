package codrane.app.today;

import codrane.app.account.Role;
import codrane.app.job.JobStore;
import codrane.app.job.Vehicles;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.Endings;
import codrane.core.job.Job;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The board of today, vehicles, and finding. */
@Controller
class TodayController {
    private static final int SHORTEST_END = 3;

    private final Board board;
    private final JobStore jobs;
    private final Vehicles vehicles;
    private final Endings endings;
    private final CodraneSettings settings;
    private final InstantSource time;
    private final ZoneId zone;

    TodayController(
            Board board,
            JobStore jobs,
            Vehicles vehicles,
            Endings endings,
            CodraneSettings settings,
            InstantSource time,
            ZoneId zone) {
        this.endings = endings;
        this.time = time;
        this.zone = zone;
        this.vehicles = vehicles;
        this.board = board;
        this.jobs = jobs;
        this.settings = settings;
    }

    @GetMapping("/")
    String today(Authentication who, Model model) {
        List<Card> cards = board.cards(who.getName());
        LocalDate today = time.instant().atZone(zone).toLocalDate();
        model.addAttribute("view", TodayView.of(cards, endings.known(), today, Role.of(who), settings.demo()));
        return "today/today";
    }

    @GetMapping("/find")
    String find(@RequestParam(defaultValue = "") String q, Model model) {
        String text = q.replaceAll("[%_]", "").strip().toUpperCase(Locale.ROOT);
        if (text.equals("NEW JOB")) return "redirect:/jobs/new";
        List<Job> found = new ArrayList<>();
        if (text.matches("\\d{1,9}")) jobs.find(Long.parseLong(text)).ifPresent(found::add);
        boolean long3 = text.length() >= SHORTEST_END;
        if (long3 && text.length() <= 17) found.addAll(jobs.byVinEnd(text));
        if (found.size() == 1) return "redirect:/jobs/" + found.getFirst().number() + "/now";
        if (long3 && found.isEmpty()) found.addAll(jobs.byWords(text));
        model.addAttribute("view", FoundView.of(q, found, long3 ? vehicles.lines(text) : List.of()));
        return "today/found";
    }

    @GetMapping("/practice")
    String practice(Model model) {
        model.addAttribute("view", LaterView.PRACTICE);
        return "fragments/later";
    }
}
