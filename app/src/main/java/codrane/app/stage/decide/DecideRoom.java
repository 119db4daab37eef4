package codrane.app.stage.decide;

import codrane.app.baseline.LostSettings;
import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.app.packs.MarketShelf;
import codrane.app.policy.Policies;
import codrane.core.job.DecideNotes;
import codrane.core.job.Decided;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
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
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** The room of Decide. */
@Component
class DecideRoom implements Room {
    private final PlanStore plans;
    private final Policies policies;
    private final MarketShelf markets;
    private final PlanPage pages;
    private final LostSettings lost;
    private final UndoSets undo;
    /** Asks the desk for other jobs, which asks this room. */
    private final ObjectProvider<Instructions> instructions;

    DecideRoom(
            PlanStore plans,
            Policies policies,
            MarketShelf markets,
            PlanPage pages,
            LostSettings lost,
            UndoSets undo,
            ObjectProvider<Instructions> instructions) {
        this.undo = undo;
        this.instructions = instructions;
        this.plans = plans;
        this.policies = policies;
        this.markets = markets;
        this.pages = pages;
        this.lost = lost;
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
                Optional.ofNullable(newest.get(a.job().id())),
                asked.note(a.job(), InstructionsStored.KIND)
                        .map(Note.Read::content)
                        .map(InstructionsStored::notes)
                        .orElse(List.of()),
                asked.note(a.job(), ChosenStored.KIND).map(Note.Read::content).flatMap(ChosenStored::compared)));
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
        Optional<InstructionsView> followed = state.job().kind() == JobKind.CHANGE_LINE
                ? Optional.of(InstructionsView.of(
                        state,
                        PlanBasis.newest(state).or(state::before).orElseThrow(),
                        instructions.getObject().of(state)))
                : Optional.empty();
        return DecideView.of(
                state, viewer, lostView, pages.of(state), undo.of(state).map(UndoView::of), followed);
    }
}
