package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Says what to do next, from what is known alone. */
public final class NextActs {
    private static final Map<Stage, StageRules> STAGES = Stream.of(
                    new IntakeStage(),
                    new BenchStage(),
                    new IdentifyStage(),
                    new UnlockStage(),
                    new BaselineStage(),
                    new DecideStage(),
                    new PrepareStage(),
                    new RunStage(),
                    new SettleStage(),
                    new ProveStage(),
                    new RecordStage())
            .collect(Collectors.toMap(StageRules::stage, Function.identity()));

    private NextActs() {}

    /** The act for the page of a stage; on a page other than the current stage's, the way to it. */
    public static NextAct of(JobState state, Stage shown, String who) {
        NextAct next = choose(state, shown, who);
        // what would be refused is not offered, unless pressing leads to the remedy
        List<Act> offered =
                next.acts().stream().filter(act -> offered(state, act)).toList();
        String why = next.acts().stream()
                .filter(act -> act.primary() && !offered(state, act))
                .flatMap(act -> act.deed().stop(state).stream())
                .map(stop -> " " + stop.sentence())
                .collect(Collectors.joining());
        return new NextAct(next.title(), next.why() + why, next.stop(), next.tone(), offered);
    }

    private static boolean offered(JobState state, Act act) {
        return act.deed().stop(state).map(stop -> stop.remedy().isPresent()).orElse(true);
    }

    private static StageRules rules(Stage stage) {
        return Objects.requireNonNull(STAGES.get(stage));
    }

    private static NextAct choose(JobState state, Stage shown, String who) {
        if (state.job().cancelled().isPresent()) return rules(Stage.RECORD).next(state, who);
        JobProgress progress = HoldRules.progress(state);
        Stage current = progress.current();
        boolean readingOn = current == Stage.UNLOCK && shown.compareTo(Stage.UNLOCK) > 0;
        if (readingOn) current = progress.currentUnauthorised();
        if (shown == current || shown == Stage.RUN && state.runHolds())
            return rules(state.runHolds() ? Stage.RUN : current).next(state, who);
        boolean later = shown.compareTo(current) > 0;
        if (state.job().kind() == JobKind.BASELINE_ONLY && later && current == Stage.RECORD)
            return rules(Stage.RECORD).next(state, who);
        String title = later ? current.title() + " comes before " + shown.title() : done(progress, shown);
        return new NextAct(
                title,
                later
                        ? "What this stage rests on is not there yet."
                        : rules(shown).found(state).orElse("Nothing is open here."),
                Safe.toStop(state),
                later ? Tone.PERSON : Tone.SETTLED,
                List.of(Act.go("Go to " + current.title(), current)));
    }

    /** A stage at which this job has nothing to do was not done. */
    private static String done(JobProgress progress, Stage shown) {
        boolean nothing = progress.of(shown).isEmpty();
        return nothing ? shown.title() + ": this job has nothing to do here" : shown.title() + " is done";
    }
}
