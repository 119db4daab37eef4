package codrane.core.job.stage;

import codrane.core.job.JobState;
import codrane.core.job.Rested;
import codrane.core.job.act.Ask;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.act.RunHolds;
import codrane.core.job.act.TooEarly;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Settle: what a person does in the plan's order. Whether the modules sleep is looked at; the battery is not seen. */
public final class SettleStage implements StageRules {
    public static final Ask WATCH = Ask.of(
            "settle-sleep",
            "watched the vehicle go to sleep",
            new TooEarly(Stage.SETTLE),
            new RunHolds("look at Run first"));

    /** After the modules should have fallen silent. */
    private static final long MARGIN_SECONDS = 5;

    private static final Act DONE = Act.keep("It was done", HoldPoint.SETTLED);
    private static final Act NOT_DONE = Act.waive("Not done", HoldPoint.SETTLED);

    /** How long nothing is said to the vehicle before it is asked whether it sleeps. */
    public static long silentSeconds(JobState state) {
        return state.pack().equipment().asleepAfter().toSeconds() + MARGIN_SECONDS;
    }

    @Override
    public Stage stage() {
        return Stage.SETTLE;
    }

    @Override
    public NextAct next(JobState state, String who) {
        List<Operation> wanted = state.leftToSettle();
        boolean sleeps = wanted.stream().anyMatch(o -> o.kind() == Operation.Kind.SLEEP);
        String others = words(
                wanted.stream().filter(o -> o.kind() != Operation.Kind.SLEEP).toList());
        return sleeps
                ? state.sleepSeen().map(look -> seen(look, others)).orElseGet(() -> watch(state, wanted, others))
                : byHand(wanted);
    }

    private static NextAct watch(JobState state, List<Operation> wanted, String others) {
        String prompts = wanted.stream()
                .filter(o -> o.kind() == Operation.Kind.SLEEP)
                .flatMap(o -> o.prompts().stream())
                .map(prompt -> prompt + ". ")
                .collect(Collectors.joining());
        return new NextAct(
                "Let the modules sleep",
                prompts + "Codrane says nothing to the vehicle meanwhile, and looks after "
                        + Words.lasting(silentSeconds(state)) + " whether it sleeps already: then that is enough."
                        + others,
                Safe.NO_RUN,
                Tone.PERSON,
                List.of(Act.simple("The key is off: watch it sleep", WATCH), NOT_DONE));
    }

    private static NextAct seen(Rested.Look look, String others) {
        return look.asleep()
                ? new NextAct(
                        "Nothing answers any more: turn the key on again",
                        look.sentence() + others + " Then go on.",
                        Safe.NO_RUN,
                        Tone.PERSON,
                        List.of(Act.keep(others.isEmpty() ? "The key is on" : "All was done", HoldPoint.SETTLED)))
                : new NextAct(
                        "Something keeps the vehicle awake",
                        look.sentence() + " A key near it, a door ajar, a charger or another tool does that."
                                + " Take it away, then watch again." + others,
                        Safe.NO_RUN,
                        Tone.DIFFERS,
                        List.of(Act.simple("Watch it sleep", WATCH), NOT_DONE));
    }

    private static NextAct byHand(List<Operation> wanted) {
        return new NextAct(
                "Let the vehicle come to rest: "
                        + Words.lasting(
                                wanted.stream().mapToInt(Operation::seconds).sum()),
                words(wanted).strip() + " Codrane can't see it done: say so when it is.",
                Safe.NO_RUN,
                Tone.PERSON,
                List.of(DONE, NOT_DONE));
    }

    private static String words(List<Operation> wanted) {
        return wanted.stream()
                .map(o -> " " + o.title() + ", " + Words.lasting(o.seconds()) + ".")
                .collect(Collectors.joining());
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.sleepSeen().map(Rested.Look::sentence).or(() -> Noted.by(state, HoldPoint.SETTLED, "It was done"));
    }
}
