package codrane.core.job.stage;

import codrane.core.job.BenchCheck;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.Stop;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/** Bench: the link is proven by an answer, the supply is held, the old module is read. */
public final class BenchStage implements StageRules {
    public static final Ask NOTE = Ask.of("bench-notes", "noted at Bench", new TooEarly(Stage.BENCH));
    public static final Ask ASK_VEHICLE =
            Ask.of("bench", "asked the vehicle", new TooEarly(Stage.BENCH), new RunHolds("look at Run first"));
    public static final Ask READ_OLD = Ask.of(
            "old-module-read",
            "began to read the old module",
            new TooEarly(Stage.BENCH),
            state -> Stop.unless(
                    state.replaced().isPresent() && state.intake().stillIn(),
                    "There is no old module in the vehicle, as was said at Intake."),
            state -> Stop.unless(
                    !state.written(),
                    "Something was written in this job already: what answers now is not the old module."),
            state -> Stop.unless(
                    state.linkCheck().isPresent() && state.benched().stranger().isEmpty(), "Prove the link first."),
            new RunHolds("read when it has ended"));

    @Override
    public Stage stage() {
        return Stage.BENCH;
    }

    @Override
    public NextAct next(JobState state, String who) {
        JobProgress progress = HoldRules.progress(state);
        if (progress.passed(HoldPoint.LINK_PROVEN) && progress.passed(HoldPoint.SUPPLY_HELD))
            return new NextAct(
                    "Read the old "
                            + state.replaced().map(PackModule::lowerTitle).orElse("module")
                            + " before anyone removes it",
                    "Coding, VIN, counter and part data. That it can't be read is a result, too.",
                    Safe.toStop(state),
                    Tone.DO,
                    List.of(Act.simple("Read it", READ_OLD), Act.waive("It is not read", HoldPoint.OLD_MODULE_READ)));
        if (state.benched().stranger().isPresent())
            return new NextAct(
                    "Another vehicle is on the cable",
                    state.benched().stranger().get().sentence()
                            + " What the other one said counts for nothing here. Then ask once more.",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of(Act.simple("Ask the vehicle", ASK_VEHICLE)));
        return state.linkCheck().map(check -> raise(state, check)).orElseGet(() -> prove(state));
    }

    private static NextAct raise(JobState state, BenchCheck check) {
        return new NextAct(
                "Raise the supply, then check again",
                "The supply is " + check.volts().map(Words::volts).orElse("not readable")
                        + "; 12.5 V are needed to work on the vehicle. Clamp the support unit at the jump posts, in"
                        + " programming mode.",
                Safe.toStop(state),
                Tone.DIFFERS,
                List.of(Act.simple("Check again", ASK_VEHICLE)));
    }

    private static NextAct prove(JobState state) {
        return new NextAct(
                "Prove the link with one answered request",
                "\"Ready\" from a computer proves nothing; an answer does. Plug the interface in, turn the key on,"
                        + " clamp the support unit. No open flame: batteries gas.",
                Safe.toStop(state),
                Tone.DO,
                List.of(Act.simple("Ask the vehicle", ASK_VEHICLE)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.linkCheck()
                .map(check -> check.module() + " answered over " + check.interfaceName() + ", "
                        + state.now().dayAndTime(check.at())
                        + check.volts()
                                .map(v -> "; the supply was " + Words.volts(v))
                                .orElse("")
                        + ".");
    }
}
