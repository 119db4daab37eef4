package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.act.TooEarly;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Said.Proved;
import codrane.core.plan.Stage;
import codrane.core.planner.Cautions;
import codrane.core.planner.WaysOn;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Prove: a fresh scan agrees, and the function itself was tried. */
public final class ProveStage implements StageRules {
    private static final StopRule EARLY = new TooEarly(Stage.PROVE);
    private static final StopRule NOT_SCANNED =
            state -> Stop.unless(state.after().isPresent(), "Scan again first.");

    /** The function was tried, and does not work. */
    public static final Ask NOT_WORKING =
            Ask.of("prove/not-working", "found that it does not work", EARLY, NOT_SCANNED);

    /** One more means was tried to calm the vehicle down, in vain. */
    public static final Ask TRIED = Ask.of("prove/tried", "tried one more means", EARLY, NOT_SCANNED);

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
        if (state.planHas(Kind.SWAP)) return mount(state);
        if (state.decided().notes().since().proved() == Proved.DOES_NOT_WORK) return notWorking(state);
        return state.job().kind() == JobKind.CLEAR_FAULTS ? stayAway(state) : tryIt(state);
    }

    /** What is mounted after it was written is scanned, planned and so proved a second time. */
    private static NextAct mount(JobState state) {
        if (state.decided().notes().since().swappedAt().isEmpty())
            return DecideStage.swap(state, state.plan().orElseThrow().plan());
        if (state.swappedSince(state.after().orElseThrow())) return DecideStage.scanTheNewOne(state);
        return new NextAct(
                "Plan again: the part is mounted",
                "What moves or aims waited for that, and the second proof follows it.",
                Safe.NO_RUN,
                Tone.DO,
                List.of(Act.simple("Plan again", DecideStage.PLAN)));
    }

    /** An answer, and it leads on: the gentlest way first. */
    private static NextAct notWorking(JobState state) {
        List<WaysOn.Way> ways = waysOn(state);
        List<Act> acts = new ArrayList<>();
        if (ways.getFirst().id().equals("settle")) acts.add(Act.simple("Done, and it stays as it was", TRIED));
        else acts.add(Act.simple("Plan again", DecideStage.PLAN));
        acts.add(Act.keep("It works now", HoldPoint.FUNCTION_TESTED).second());
        acts.add(IdentifyStage.scanAgain().second());
        if (ways.getFirst().id().equals("settle"))
            acts.add(Act.simple("Plan again", DecideStage.PLAN).second());
        acts.add(Act.waive("Left as it is", HoldPoint.FUNCTION_TESTED));
        return new NextAct(
                ways.getFirst().sentence(),
                "It does not work yet: this is the gentlest way on. The others stand below.",
                Safe.NO_RUN,
                Tone.DIFFERS,
                acts);
    }

    /** Ways on, the gentlest first; none as long as nobody said that it does not work. */
    public static List<WaysOn.Way> waysOn(JobState state) {
        boolean fails = state.decided().notes().since().proved() == Proved.DOES_NOT_WORK;
        if (!fails || state.plan().isEmpty() || state.after().isEmpty()) return List.of();
        return WaysOn.of(
                state.vehicleFacts(state.after().get()), state.plan().get().plan());
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
                        Act.simple("They came back", NOT_WORKING).second(),
                        IdentifyStage.scanAgain().second(),
                        Act.waive("Not tried", HoldPoint.FUNCTION_TESTED)));
    }

    private static NextAct tryIt(JobState state) {
        Optional<Operation> test = state.operations().stream()
                .filter(o -> o.kind() == Kind.FUNCTION_TEST)
                .findFirst();
        String cautions = test.map(o -> String.join(
                        " ", Cautions.of(state.vehicleFacts(state.after().orElseThrow()), o)))
                .orElse("");
        return new NextAct(
                test.map(Operation::title).orElse("Try what was changed"),
                (cautions.isEmpty() ? "" : cautions + " ") + "Is the complaint mended: \""
                        + state.job().complaint() + "\"?",
                "Safe to stop here: what was written reads back right.",
                Tone.PERSON,
                List.of(
                        Act.keep("It works", HoldPoint.FUNCTION_TESTED),
                        Act.simple("It does not work", NOT_WORKING).second(),
                        Act.waive("Not tried", HoldPoint.FUNCTION_TESTED)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return Noted.by(state, HoldPoint.FUNCTION_TESTED, "The function was tried");
    }
}
