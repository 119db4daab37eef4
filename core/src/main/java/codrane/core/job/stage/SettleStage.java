package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Settle: done by a person, in the plan's order; Codrane waits for neither sleep nor battery. */
public final class SettleStage implements StageRules {
    @Override
    public Stage stage() {
        return Stage.SETTLE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        List<Operation> wanted = state.settling();
        String what = wanted.stream()
                .map(o -> o.title() + ", " + Words.lasting(o.seconds()) + ".")
                .collect(Collectors.joining(" "));
        return new NextAct(
                "Let the vehicle come to rest: "
                        + Words.lasting(
                                wanted.stream().mapToInt(Operation::seconds).sum()),
                what + " Codrane can't see it done: say so when it is.",
                Safe.NO_RUN,
                Tone.PERSON,
                List.of(Act.keep("It was done", HoldPoint.SETTLED), Act.waive("Not done", HoldPoint.SETTLED)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return Noted.by(state, HoldPoint.SETTLED, "It was done");
    }
}
