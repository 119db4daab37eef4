package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import java.util.List;
import java.util.Optional;

/** Prove: a fresh scan agrees, and the function itself was tried. */
public final class ProveStage implements StageRules {
    @Override
    public Stage stage() {
        return Stage.PROVE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        if (state.after().isEmpty())
            return new NextAct(
                    "Scan again and compare",
                    "Done is what a fresh scan reads back, not what a write reported.",
                    Safe.NO_RUN,
                    Tone.DO,
                    List.of(IdentifyStage.scanAll(state)));
        if (HoldRules.progress(state).hold(HoldPoint.READ_BACK_AGREES) == Hold.OPEN)
            return new NextAct(
                    "What was read back differs",
                    String.join(" ", state.readBackTroubles().orElse(List.of()))
                            + " Scan again; if it stays, plan again.",
                    Safe.NO_RUN,
                    Tone.DIFFERS,
                    List.of(
                            IdentifyStage.scanAgain(),
                            Act.simple("Plan again", DecideStage.PLAN).second(),
                            Act.waive("Go on all the same", HoldPoint.READ_BACK_AGREES)));
        return state.job().kind() == JobKind.CLEAR_FAULTS ? stayAway(state) : tryIt(state);
    }

    private static NextAct stayAway(JobState state) {
        return new NextAct(
                "Do the faults stay away?",
                "Work what they were about, drive if needed, then scan again. Is the complaint mended: \""
                        + state.job().complaint() + "\"?",
                "Safe to stop here: what was cleared reads back clear.",
                Tone.PERSON,
                List.of(
                        Act.keep("They stay away", HoldPoint.FUNCTION_TESTED),
                        Act.simple("They came back: plan again", DecideStage.PLAN)
                                .second(),
                        IdentifyStage.scanAgain().second(),
                        Act.waive("Not tried", HoldPoint.FUNCTION_TESTED)));
    }

    private static NextAct tryIt(JobState state) {
        String what = state.replaced()
                .map(m -> "Work the " + m.lowerTitle() + " through its whole movement, nobody under or on it.")
                .orElse("");
        return new NextAct(
                "Try the function itself",
                what + " Is the complaint mended: \"" + state.job().complaint() + "\"?",
                "Safe to stop here: what was written reads back right.",
                Tone.PERSON,
                List.of(
                        Act.keep("It works", HoldPoint.FUNCTION_TESTED),
                        Act.simple("It does not work: plan again", DecideStage.PLAN)
                                .second(),
                        Act.waive("Not tried", HoldPoint.FUNCTION_TESTED)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return Noted.by(state, HoldPoint.FUNCTION_TESTED, "The function was tried");
    }
}
