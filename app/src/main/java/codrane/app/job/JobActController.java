package codrane.app.job;

import codrane.app.live.JobTasks;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts on a job: each does one thing and leads back to where the job now is. */
@Controller
@RequestMapping("/jobs/{number}")
class JobActController {
    private final JobActs acts;
    private final ScanActs scans;
    private final RunActs runs;
    private final PrepareActs prepares;
    private final UnlockActs unlocking;
    private final BaselineActs baselines;
    private final BenchActs benches;
    private final JobTasks tasks;

    JobActController(
            JobActs acts,
            ScanActs scans,
            RunActs runs,
            PrepareActs prepares,
            UnlockActs unlocking,
            BaselineActs baselines,
            BenchActs benches,
            JobTasks tasks) {
        this.benches = benches;
        this.acts = acts;
        this.scans = scans;
        this.runs = runs;
        this.prepares = prepares;
        this.baselines = baselines;
        this.unlocking = unlocking;
        this.tasks = tasks;
    }

    /** What failed before is shown until something new is done. */
    @ModelAttribute
    void forgetLastFailure(@PathVariable long number) {
        tasks.seen(number);
    }

    @PostMapping("/bench")
    String bench(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(scans.benchCheck(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/bench-notes")
    String benchNotes(
            @PathVariable long number, @ModelAttribute BenchForm form, Principal who, RedirectAttributes flash) {
        Acted acted = benches.note(number, form, who.getName());
        if (acted instanceof Acted.Refused) flash.addFlashAttribute("typed", form);
        return then(acted, number, "bench", flash);
    }

    @PostMapping("/scan")
    String scan(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(scans.scan(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/baseline")
    String baseline(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String module,
            Principal who,
            RedirectAttributes flash) {
        return then(baselines.store(number, module, who.getName()), number, "baseline", flash);
    }

    /** Chooses what is put back, and plans it. */
    @PostMapping("/put-back")
    String putBack(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> setting,
            Principal who,
            RedirectAttributes flash) {
        Acted chosen = baselines.choose(number, setting, who.getName());
        Acted acted = chosen instanceof Acted.Done ? acts.plan(number, who.getName()) : chosen;
        return then(acted, number, "decide", flash);
    }

    @PostMapping("/hold/{point}")
    String keep(@PathVariable long number, @PathVariable String point, Principal who, RedirectAttributes flash) {
        return then(acts.keep(number, point(point), who.getName(), "confirmed"), number, "now", flash);
    }

    @PostMapping("/waive/{point}")
    String waive(
            @PathVariable long number,
            @PathVariable String point,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return then(acts.waive(number, point(point), who.getName(), why), number, "now", flash);
    }

    private static HoldPoint point(String key) {
        return HoldPoint.of(key).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/plan")
    String plan(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(acts.plan(number, who.getName()), number, "decide", flash);
    }

    @PostMapping("/calibration")
    String calibration(@PathVariable long number, @RequestParam String id, Principal who, RedirectAttributes flash) {
        return then(prepares.fetchCalibration(number, id, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/calibration-upload")
    String upload(@PathVariable long number, @RequestParam MultipartFile file, Principal who, RedirectAttributes flash)
            throws IOException {
        return then(prepares.uploadCalibration(number, file.getBytes(), who.getName()), number, "prepare", flash);
    }

    @PostMapping("/line-sheet")
    String sheet(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(prepares.fetchSheet(number, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/line-sheet-pasted")
    String pasted(@PathVariable long number, @RequestParam String text, Principal who, RedirectAttributes flash) {
        flash.addFlashAttribute("pasted", text.length() > 20_000 ? "" : text);
        return then(prepares.pasteSheet(number, text, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/run")
    String run(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> release,
            Principal who,
            RedirectAttributes flash) {
        return then(runs.run(number, release, who.getName()), number, "run", flash);
    }

    @PostMapping("/recover")
    String recover(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(runs.recover(number, who.getName()), number, "run", flash);
    }

    /** A run that waits is stopped before its next step. */
    @PostMapping("/run/stop")
    String stop(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(runs.stop(number, who.getName()), number, "run", flash);
    }

    @PostMapping("/reopen")
    String reopen(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return then(acts.reopen(number, who.getName(), why), number, "record", flash);
    }

    @PostMapping("/close")
    String close(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(acts.close(number, who.getName()), number, "record", flash);
    }

    @PostMapping("/access/technician")
    String technician(
            @PathVariable long number, @RequestParam String technician, Principal who, RedirectAttributes flash) {
        return then(unlocking.addTechnician(number, technician, who.getName()), number, "unlock", flash);
    }

    @PostMapping("/access/tool")
    String tool(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(unlocking.addTool(number, who.getName()), number, "unlock", flash);
    }

    @PostMapping("/authorise")
    String authorise(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return then(unlocking.authorise(number, who.getName()), number, "unlock", flash);
    }

    static String then(Acted acted, long number, String stage, RedirectAttributes flash) {
        String to = switch (acted) {
            case Acted.Done(var led) -> led.map(Stage::key).orElse(stage);
            case Acted.Refused(String sentence, var remedy) -> {
                flash.addFlashAttribute("refused", sentence);
                yield remedy.map(Stage::key).orElse(stage);
            }
        };
        return "redirect:/jobs/" + number + "/" + to;
    }
}
