package codrane.core.job.stage;

import codrane.core.baseline.BaselineEstimate;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.NotScanned;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.TooEarly;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/** Baseline: everything readable is stored before anything is written. */
public final class BaselineStage implements StageRules {
    public static final Ask STORE = Ask.of(
            "baseline",
            "began a baseline",
            new TooEarly(Stage.BASELINE),
            new NotScanned("what can't be identified can't be kept"),
            new RunHolds("read when it has ended"));

    @Override
    public Stage stage() {
        return Stage.BASELINE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        boolean others = state.baseline().isPresent();
        long seconds = BaselineEstimate.of(state.pack(), state.pack().modules().values())
                        .toSeconds()
                + 1;
        return new NextAct(
                others ? "Store a baseline again" : "Store a baseline",
                (others ? "The one that is there shows parts with other serial numbers than the newest scan. " : "")
                        + "Everything readable is read once more and kept: raw to restore it, labelled to read it. About "
                        + Words.lasting(seconds) + ".",
                Safe.toStop(state),
                Tone.DO,
                List.of(Act.simple("Read and store", STORE)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.baseline()
                .map(b -> "Stored by " + b.takenBy() + ", " + state.now().dayAndTime(b.takenAt()) + ".");
    }
}
