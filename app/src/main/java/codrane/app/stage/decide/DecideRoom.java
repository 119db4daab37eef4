package codrane.app.stage.decide;

import codrane.app.baseline.LostSettings;
import codrane.app.job.Gathering;
import codrane.app.job.JobStore;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.app.packs.MarketShelf;
import codrane.app.policy.Policies;
import codrane.app.tools.MenuMap;
import codrane.core.job.DecideNotes;
import codrane.core.job.Decided;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.PlanVersion;
import codrane.core.pack.MarketRules;
import codrane.core.plan.JobKind;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.Stage;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The room of Decide. */
@Component
class DecideRoom implements Room {
    private final PlanStore plans;
    private final Policies policies;
    private final MarketShelf markets;
    private final MenuMap menus;
    private final LostSettings lost;
    private final JobStore jobs;
    private final UndoSets undo;

    DecideRoom(
            PlanStore plans,
            Policies policies,
            MarketShelf markets,
            MenuMap menus,
            LostSettings lost,
            JobStore jobs,
            UndoSets undo) {
        this.undo = undo;
        this.plans = plans;
        this.policies = policies;
        this.markets = markets;
        this.menus = menus;
        this.lost = lost;
        this.jobs = jobs;
    }

    @Override
    public Stage stage() {
        return Stage.DECIDE;
    }

    @Override
    public Map<Long, Decided> gather(Gathering asked) {
        Map<Long, PlanVersion> newest = plans.newest(asked.ids());
        Map<School, String> answers = policies.answers();
        MarketRules law = markets.rules().on(asked.now().today());
        return asked.each(a -> new Decided(
                asked.note(a.job(), DecideStored.KIND)
                        .map(Note.Read::content)
                        .map(DecideStored::notes)
                        .orElse(DecideNotes.NONE),
                new Policy(answers, overrules(asked, a.job())),
                law,
                asked.note(a.job(), ChosenStored.KIND)
                        .map(Note.Read::content)
                        .map(ChosenStored::chosen)
                        .orElse(List.of()),
                Optional.ofNullable(newest.get(a.job().id()))));
    }

    private static List<Policy.Overrule> overrules(Gathering asked, Job job) {
        return asked.notes(job, OverruleStored.KIND).stream()
                .map(n -> new Policy.Overrule(
                        School.of(n.subject()).orElseThrow(),
                        n.content().answer(),
                        n.content().reason(),
                        n.who(),
                        Objects.requireNonNullElse(n.content().about(), "")))
                .toList();
    }

    /** The workshop's answers hold for every job. */
    @Override
    public Map<Long, ?> moved(List<Job> jobs) {
        Map<School, String> answers = policies.answers();
        Map<Long, Object> moved = new HashMap<>();
        for (Job job : jobs) moved.put(job.id(), answers);
        return moved;
    }

    @Override
    public DecideView view(JobState state, Viewer viewer) {
        boolean finds = state.job().kind() == JobKind.FIND_LOST_SETTING;
        Optional<LostView> lostView = finds ? lost.of(state).map(l -> LostView.of(state, l)) : Optional.empty();
        if (state.before().isEmpty()) return DecideView.none(state, lostView);
        Optional<PlanView> plan =
                state.plan().map(p -> PlanView.of(state, p, before(state, p), menus(state, p), others(state)));
        return DecideView.of(state, viewer, lostView, plan, undo.of(state).map(UndoView::of));
    }

    /** Other open jobs on the vehicle, by the module that they are about. */
    private Map<String, Long> others(JobState state) {
        Map<String, Long> others = new HashMap<>();
        for (Job job : jobs.ofVehicle(state.job().vehicleId()))
            if (job.closedAt().isEmpty() && job.number() != state.job().number())
                job.replacedModule().ifPresent(module -> others.putIfAbsent(module, job.number()));
        return others;
    }

    private Optional<codrane.core.plan.Plan> before(JobState state, PlanVersion plan) {
        return plans.before(state.job().id(), plan.version());
    }

    private Map<String, List<MenuMap.Entry>> menus(JobState state, PlanVersion plan) {
        return menus.of(state.pack().id(), plan.plan().operations());
    }
}
