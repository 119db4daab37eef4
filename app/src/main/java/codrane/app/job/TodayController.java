package codrane.app.job;

import codrane.app.CodraneSettings;
import codrane.app.job.jpa.JobStore;
import codrane.app.live.RunRecord;
import codrane.core.plan.Stage;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The board of today, vehicles, and finding. */
@Controller
class TodayController {
    private static final int SHORTEST_END = 3;

    private final JobDesk desk;
    private final JobStore jobs;
    private final CodraneSettings settings;

    TodayController(JobDesk desk, JobStore jobs, CodraneSettings settings) {
        this.desk = desk;
        this.jobs = jobs;
        this.settings = settings;
    }

    /**
     * A job on the board.
     *
     * @param column run, person or start
     * @param percent of the run, 0..100; -1 when there is none under way
     */
    public record Card(long number, String title, String vehicle, String line, String column, int percent) {}

    @GetMapping("/")
    String today(Principal who, Model model) {
        List<Card> cards = new ArrayList<>();
        for (JobRecord job : jobs.open()) cards.add(card(desk.facts(job), who.getName()));
        model.addAttribute(
                "running", cards.stream().filter(c -> c.column().equals("run")).toList());
        model.addAttribute(
                "waiting",
                cards.stream().filter(c -> c.column().equals("person")).toList());
        model.addAttribute(
                "startable",
                cards.stream().filter(c -> c.column().equals("start")).toList());
        model.addAttribute("demo", settings.demo());
        return "job/today";
    }

    private static Card card(JobFacts facts, String who) {
        JobRecord job = facts.job();
        Stage current = facts.progress().current();
        NextAct next = NextActs.of(facts, facts.runHolds() ? Stage.RUN : current, who);
        String title = facts.replaced()
                .map(m -> m.title() + job.origin().map(o -> ", " + o.words()).orElse(""))
                .orElse(job.kind().title());
        int percent = facts.run()
                .filter(r -> facts.runHolds())
                .map(TodayController::percent)
                .orElse(-1);
        String column = facts.runHolds() ? "run" : next.tone() == NextAct.Tone.PERSON ? "person" : "start";
        return new Card(
                job.number(),
                title,
                job.model() + " …" + job.vin().end(),
                current.title() + ": " + next.title(),
                column,
                percent);
    }

    private static int percent(RunRecord run) {
        if (run.blocks() > 0) return 100 * run.block() / run.blocks();
        return 100 * run.taskIndex() / Math.max(1, run.taskCount());
    }

    @GetMapping("/find")
    String find(@RequestParam(defaultValue = "") String q, Model model) {
        String text = q.strip().toUpperCase(Locale.ROOT);
        if (text.equals("NEW JOB")) return "redirect:/jobs/new";
        List<JobRecord> found = new ArrayList<>();
        if (text.matches("\\d{1,9}")) jobs.find(Long.parseLong(text)).ifPresent(found::add);
        if (text.length() >= SHORTEST_END && text.length() <= 17) found.addAll(jobs.byVinEnd(text));
        if (found.size() == 1) return "redirect:/jobs/" + found.getFirst().number() + "/now";
        model.addAttribute("q", q);
        model.addAttribute("found", found);
        return "job/found";
    }

    @GetMapping("/{later:practice|records}")
    String later(@PathVariable String later, Model model) {
        model.addAttribute("later", later);
        return "fragments/later";
    }
}
