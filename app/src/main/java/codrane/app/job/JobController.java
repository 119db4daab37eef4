package codrane.app.job;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.decide.MenuMap;
import codrane.app.intake.IntakeStore;
import codrane.app.live.JobTasks;
import codrane.app.live.LiveHub;
import codrane.app.live.RunStore;
import codrane.app.live.VitalsPublisher;
import codrane.app.records.ChangeLedger;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.job.Job;
import codrane.core.job.Scan;
import codrane.core.pack.MarketRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Stage;
import codrane.core.planner.LawAllows;
import codrane.core.scan.AgreementMatrix;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Pages of a job. */
@Controller
class JobController {
    private static final int JOURNAL_ROWS = 120;

    private final JobDesk desk;
    private final JobIntake intake;
    private final IntakeStore intakes;
    private final PrepareActs prepares;
    private final UnlockActs unlocking;
    private final BaselineActs baselines;
    private final BenchActs benches;
    private final DecideActs decides;
    private final MenuMap menus;
    private final IdentifyActs identify;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final VitalsPublisher vitals;
    private final RunStore runs;
    private final ChangeLedger ledger;
    private final LiveHub hub;

    JobController(
            JobDesk desk,
            JobIntake intake,
            IntakeStore intakes,
            PrepareActs prepares,
            UnlockActs unlocking,
            BaselineActs baselines,
            BenchActs benches,
            DecideActs decides,
            MenuMap menus,
            IdentifyActs identify,
            JobTasks tasks,
            Interfaces interfaces,
            VitalsPublisher vitals,
            RunStore runs,
            ChangeLedger ledger,
            LiveHub hub) {
        this.desk = desk;
        this.intake = intake;
        this.intakes = intakes;
        this.prepares = prepares;
        this.unlocking = unlocking;
        this.baselines = baselines;
        this.benches = benches;
        this.decides = decides;
        this.menus = menus;
        this.identify = identify;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.vitals = vitals;
        this.runs = runs;
        this.ledger = ledger;
        this.hub = hub;
    }

    @GetMapping("/jobs/new")
    String form(Model model) {
        model.addAttribute("form", NewJobForm.empty());
        return newJob(model);
    }

    private String newJob(Model model) {
        model.addAttribute("packs", intake.packs());
        return "job/new";
    }

    @GetMapping("/vin-check")
    @ResponseBody
    JobIntake.VinView vinCheck(@RequestParam String vin) {
        return intake.check(vin.length() > 40 ? vin.substring(0, 40) : vin);
    }

    @PostMapping("/jobs")
    String take(@Valid @ModelAttribute("form") NewJobForm form, BindingResult errors, Principal who, Model model) {
        if (errors.hasErrors()) return newJob(model);
        return switch (intake.take(form, who.getName())) {
            case JobIntake.Taken.Job(long number) -> "redirect:/jobs/" + number + "/intake";
            case JobIntake.Taken.Rejected(String field, String sentence) -> {
                errors.rejectValue(field, "rejected", sentence);
                yield newJob(model);
            }
        };
    }

    @GetMapping("/jobs/{number}/{stage}")
    String stage(
            @PathVariable long number,
            @PathVariable String stage,
            Authentication who,
            HttpServletRequest request,
            Model model) {
        // before the facts: a task that ends in between must not look ended while its result is not shown
        Optional<JobTasks.Progress> task = tasks.of(number);
        JobFacts facts = desk.facts(number);
        Stage shown = stage.equals("now")
                ? facts.progress().current()
                : Stage.of(stage).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (shown == Stage.UNLOCK && unlocking.refresh(facts)) facts = desk.facts(number);
        request.setAttribute(PressFields.SEEN, facts.job().version());
        model.addAttribute("page", page(facts, shown, task, who));
        model.addAttribute("facts", facts);
        addStage(facts, shown, who.getName(), model);
        return "job/" + shown.key();
    }

    private JobPage page(JobFacts facts, Stage shown, Optional<JobTasks.Progress> task, Authentication who) {
        Job job = facts.job();
        NextAct next = NextActs.of(facts, shown, who.getName());
        Role role = role(who);
        List<NextAct.Act> allowed = next.acts().stream()
                .filter(a -> !a.post() || Routes.allows(role, HttpMethod.POST, "/jobs/" + job.number() + a.path()))
                .toList();
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        return new JobPage(
                job,
                facts.replaced()
                        .map(m -> m.title()
                                + job.origin().map(o -> ", " + o.words()).orElse(""))
                        .orElse(job.kind().title()),
                facts.pack().maker() + " " + job.model(),
                shown,
                JobPage.rail(facts.progress(), shown),
                next.withActs(allowed),
                whose(role, job.number(), next),
                task,
                vitals.json(bench.map(vitals::of).orElse(VitalsPublisher.Vitals.UNKNOWN)),
                facts.window(),
                facts.run().map(r -> r.running()).orElse(false),
                bench.isPresent(),
                bench.map(BenchInterface::name).orElse("no interface"),
                JobPage.GatewayVital.of(facts.access()));
    }

    /** Whose the main act is, when it is not this role's; empty when it is, or there is none. */
    private static String whose(Role role, long number, NextAct next) {
        if (next.acts().isEmpty() || !next.acts().getFirst().post()) return "";
        String path = "/jobs/" + number + next.acts().getFirst().path();
        return Routes.allows(role, HttpMethod.POST, path) ? "" : Routes.whose(HttpMethod.POST, path);
    }

    private static Role role(Authentication who) {
        return who.getAuthorities().stream()
                .map(a -> a.getAuthority())
                .filter(a -> a.startsWith("ROLE_"))
                .map(a -> Role.valueOf(a.substring("ROLE_".length())))
                .findFirst()
                .orElse(Role.DESK);
    }

    private void addStage(JobFacts facts, Stage shown, String who, Model model) {
        switch (shown) {
            case BASELINE -> baselines.lost(facts).ifPresent(lost -> model.addAttribute("lost", lost));
            case DECIDE -> {
                facts.before().ifPresent(scan -> model.addAttribute("decide", decides.view(facts, scan)));
                if (facts.job().kind() == JobKind.FIND_LOST_SETTING)
                    baselines.lost(facts).ifPresent(lost -> model.addAttribute("lost", lost));
            }
            case IDENTIFY ->
                facts.before().ifPresent(scan -> {
                    addMatrix(facts, scan, model);
                    model.addAttribute("signs", identify.signs(facts, scan));
                });
            case UNLOCK -> {
                if (facts.access().there()) model.addAttribute("unlock", unlocking.view(facts, who));
            }
            case PREPARE -> addPrepare(facts, model);
            case RUN -> {
                addRun(facts, model);
                boolean ready = facts.progress().currentUnauthorised() == Stage.RUN && !facts.runHolds();
                if (ready) model.addAttribute("releases", RunOrders.left(facts));
            }
            case PROVE -> addProof(facts, model);
            case RECORD -> {
                addProof(facts, model);
                model.addAttribute(
                        "changes",
                        ChangeLine.of(facts.pack(), ledger.ofJob(facts.job().id())));
                addRun(facts, model);
                facts.before()
                        .ifPresent(scan -> model.addAttribute(
                                "notes",
                                LawAllows.rules(facts.vehicleFacts(scan)).stream()
                                        .filter(r -> r.says() == MarketRules.Says.NOTE)
                                        .toList()));
                model.addAttribute("menu", menus.ofJob(facts.job().id()));
                model.addAttribute(
                        "operations",
                        facts.plan().map(p -> p.plan().writes().toList()).orElse(List.of()));
            }
            case INTAKE ->
                model.addAttribute("photos", intakes.photos(facts.job().id()));
            case BENCH -> model.addAttribute("bench", benches.view(facts));
            case SETTLE -> {}
        }
    }

    private static void addMatrix(JobFacts facts, Scan scan, Model model) {
        AgreementMatrix matrix = facts.matrix(scan);
        model.addAttribute("matrix", matrix);
        model.addAttribute("faults", FaultLine.before(facts));
    }

    private void addPrepare(JobFacts facts, Model model) {
        facts.readiness().ifPresent(readiness -> model.addAttribute("needs", NeedsView.of(facts, readiness)));
        if (facts.plan().isEmpty() || facts.replaced().isEmpty() || NextNeedAct.byMail(facts)) return;
        try {
            model.addAttribute("offers", prepares.offers(facts));
        } catch (ServiceException e) {
            model.addAttribute("serviceTrouble", e.getMessage());
        }
    }

    private void addRun(JobFacts facts, Model model) {
        facts.plan().ifPresent(plan -> model.addAttribute("score", RunScore.of(facts, plan.plan())));
        facts.run().ifPresent(run -> {
            model.addAttribute("journal", runs.journal(run.id(), JOURNAL_ROWS));
            model.addAttribute("traced", runs.traced(run.id()));
        });
    }

    private static void addProof(JobFacts facts, Model model) {
        Optional<Scan> after = facts.after();
        if (facts.before().isEmpty() || after.isEmpty()) return;
        model.addAttribute("matrix", facts.matrix(after.get()));
        model.addAttribute("ledger", FaultLine.ledger(facts, after.get()));
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
        JobFacts facts = desk.facts(number);
        String bench = interfaces.of(facts.pack()).map(BenchInterface::name).orElse("none");
        return hub.listen(session.getId(), List.of("job-" + number, "interface-" + bench));
    }

    /** The hold points, for the page of a stage. */
    @ModelAttribute("holdPoints")
    HoldPoint[] holdPoints() {
        return HoldPoint.values();
    }
}
