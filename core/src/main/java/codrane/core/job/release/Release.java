package codrane.core.job.release;

import codrane.core.job.JobState;
import codrane.core.job.OpenFor;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Ask;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.job.hold.HoldRules;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Acts that begin, go on with, recover or stop a run. */
public final class Release {
    /** What must hold whenever tasks are made of a plan: at a start, and at a recovery. */
    public static final List<StopRule> TASKS = List.of(
            new CantCarryOut(),
            new NothingToWrite(),
            new SheetNotGood(),
            new SettingDoesNotFit(),
            new LearnedNotHere());

    public static final Ask RUN = Ask.of(
            "run",
            "released the writes",
            new RunUnderWay(),
            new CarriedOut(),
            new GatewayLocked(),
            new StillOpen(),
            new NothingLeft(),
            new NoWayBackOpen(),
            new CodeNotHere(),
            new NotByCable(),
            new SecondWriter(),
            new FactsChanged());
    public static final Ask RECOVER = Ask.of("recover", "had the run recovered", new NotInterrupted());
    /** On a twin: nothing is sent. */
    public static final Ask REHEARSE = Ask.of(
            "rehearse",
            "rehearsed the plan",
            state -> Stop.unless(!state.runHolds(), "A run is under way: a rehearsal comes before it."),
            Release::noTasks);

    public static final Ask STOP = Ask.of("run/stop", "stopped the run", new NotRunning());

    private Release() {}

    /** What is seen at Bench and will hold the run, if it stays as it is. */
    public static List<String> heldFromBench(JobState state) {
        JobProgress progress = HoldRules.progress(state);
        Optional<String> link = progress.hold(HoldPoint.LINK_PROVEN) == Hold.OPEN
                ? Optional.of("no request was answered yet.")
                : Optional.empty();
        Optional<String> supply = progress.hold(HoldPoint.SUPPLY_HELD) == Hold.OPEN
                ? Optional.of("the supply is not held, or was not read yet.")
                : Optional.empty();
        return Stream.of(link, supply, NotByCable.reason(state), SecondWriter.reason(state))
                .flatMap(Optional::stream)
                .toList();
    }

    /** Whether tasks can be made of the plan. */
    public static Optional<Stop> noTasks(JobState state) {
        return TASKS.stream().flatMap(rule -> rule.judge(state).stream()).findFirst();
    }

    /**
     * Whether every write that comes next was released; nothing is chosen beforehand.
     *
     * @param released keys of operations
     */
    public static Optional<Stop> notReleased(JobState state, Collection<String> released) {
        List<String> unticked = RunTasks.leg(state).stream()
                .filter(write -> !released.contains(write.key()))
                .map(Operation::title)
                .toList();
        return Stop.unless(unticked.isEmpty(), "Not started. Not released: " + String.join("; ", unticked) + ".");
    }

    /** Why a gateway that was found locked keeps the run from starting. */
    public static String locked(JobState state) {
        return GatewayLocked.reason(state.access(), OpenFor.seconds(state));
    }
}
