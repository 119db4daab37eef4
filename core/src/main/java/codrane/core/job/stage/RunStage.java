package codrane.core.job.stage;

import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.NextAct;
import codrane.core.job.act.NextAct.Act;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.release.Release;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.PackModule.Before;
import codrane.core.pack.VehicleCondition;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Run: the writes are released, carried out, and recovered if need be. */
public final class RunStage implements StageRules {
    @Override
    public Stage stage() {
        return Stage.RUN;
    }

    @Override
    public NextAct next(JobState state, String who) {
        Optional<JobRun> run = state.run();
        if (run.isPresent() && run.get().running()) return running(state, run.get());
        if (run.isPresent() && run.get().interrupted()) return interrupted(run.get());
        List<String> unable = RunTasks.unable(state);
        if (!unable.isEmpty())
            return new NextAct(
                    "Codrane can't carry out all of this plan yet",
                    "Planned, and to be done with another tool: " + String.join("; ", unable)
                            + ". What is not carried out whole is not begun here.",
                    Safe.toStop(state),
                    Tone.DIFFERS,
                    List.of(Act.go("Back to the plan", Stage.DECIDE)));
        if (HoldRules.progress(state).hold(HoldPoint.NO_WAY_BACK) == Hold.OPEN)
            return new NextAct(
                    "Look at VIN and part once more",
                    "What follows can't be undone: " + state.job().vin().grouped() + ", aloud "
                            + state.job().vin().spelled() + ".",
                    Safe.toStop(state),
                    Tone.PERSON,
                    List.of(Act.keep("It is this vehicle and this part", HoldPoint.NO_WAY_BACK)));
        return release(state, run);
    }

    private static NextAct release(JobState state, Optional<JobRun> run) {
        List<Operation> left = RunTasks.leg(state);
        String before = run.filter(r -> r.state() == JobRun.State.STOPPED)
                .map(r -> r.sentence() + " " + byHand(state) + r.nextStep() + " ")
                .orElse("");
        boolean programs = left.stream().anyMatch(o -> o.kind() == Operation.Kind.PROGRAM);
        boolean moves = RunTasks.startedByHand(left.getFirst());
        return new NextAct(
                moves ? byHandTitle(state, left.getFirst()) : title(state, run, left),
                before + readyFirst(state, left) + "Tick each below. "
                        + (programs
                                ? "From erase to verify it can pause, but not stop. Keep the support unit on and leave"
                                        + " the key."
                                : moves ? byHandWords(state, left.getFirst()) : "Each write is read back."),
                run.isPresent()
                        ? "Safe to stop here: the run stopped where nothing is half written."
                        : Safe.toStop(state),
                Tone.WRITE,
                List.of(Act.strong(run.isPresent() ? "Release and go on" : "Release and start", Release.RUN)));
    }

    /** What modules want of the vehicle before they are programmed, and how it is brought about. */
    private static String readyFirst(JobState state, List<Operation> left) {
        String needs = wanted(state, left)
                .flatMap(before -> before.needs().stream())
                .distinct()
                .map(VehicleCondition::words)
                .collect(Collectors.joining(", "));
        String hows = wanted(state, left)
                .map(Before::how)
                .filter(how -> !how.isEmpty())
                .distinct()
                .map(how -> how + ". ")
                .collect(Collectors.joining());
        return needs.isEmpty() ? "" : "First: " + needs + ". " + hows;
    }

    /** What was brought about for a programming is taken back. */
    private static String afterwards(JobState state) {
        return wanted(state, state.operations())
                .map(Before::after)
                .filter(after -> !after.isEmpty())
                .distinct()
                .map(after -> " " + Words.capital(after) + ".")
                .collect(Collectors.joining());
    }

    private static Stream<Before> wanted(JobState state, List<Operation> operations) {
        return operations.stream()
                .filter(o -> o.kind() == Operation.Kind.PROGRAM)
                .flatMap(o -> state.pack().module(o.module()).flash().stream())
                .map(flash -> flash.before())
                .filter(before -> !before.needs().isEmpty());
    }

    private static String title(JobState state, Optional<JobRun> run, List<Operation> left) {
        if (left.size() == 1 && run.filter(RunTasks::awaitsKey).isPresent())
            return "Go on: it is written, only the turn of the key is left";
        return (run.isPresent() ? "Go on: release " : "Release ") + Words.count(left.size(), "writing step")
                + " on the " + onWhat(state, left);
    }

    private static String byHandTitle(JobState state, Operation first) {
        if (first.kind() != Operation.Kind.ADD_KEY) return "Look on, and start \"" + first.title() + "\"";
        List<String> others = RunTasks.keysWith(state);
        return others.isEmpty()
                ? "Take the next key, and have it learned"
                : "Have the keys learned with " + String.join(" or ", others) + ", then say so";
    }

    private static String byHandWords(JobState state, Operation first) {
        if (first.kind() != Operation.Kind.ADD_KEY) return "What moves is stopped when the run is.";
        return RunTasks.keysWith(state).isEmpty()
                ? "A window that is missed can be opened again."
                : "What is typed there stands on the carry card. Here it is only read how many keys are known: those that"
                        + " are here, no more and no fewer.";
    }

    private static String byHand(JobState state) {
        List<String> first = RunTasks.byHandFirst(state);
        return first.isEmpty() ? "" : "Before it, as planned: " + String.join("; ", first) + ". ";
    }

    /** The one module, or the vehicle when several are written. */
    private static String onWhat(JobState state, List<Operation> left) {
        List<String> modules = left.stream()
                .map(Operation::module)
                .filter(m -> !m.isEmpty())
                .distinct()
                .toList();
        return modules.size() == 1 ? state.pack().module(modules.getFirst()).lowerTitle() : "vehicle";
    }

    private static NextAct running(JobState state, JobRun run) {
        List<Operation> left = RunTasks.left(state);
        if (!left.isEmpty() && left.getFirst().kind() == Operation.Kind.ADD_KEY)
            return RunTasks.keysWith(state).isEmpty() ? turning(run) : counting(run);
        if (RunTasks.awaitsKey(run))
            return new NextAct(
                    "Turn the key off and on as it is counted",
                    "It is written. The module takes it up by a key that is off for "
                            + cycle(state).offSeconds() + " s and on again within "
                            + cycle(state).windowSeconds()
                            + " s; a turn that misses it starts over.",
                    "Safe to stop: it is written, the key is turned later.",
                    Tone.WRITE,
                    List.of(Act.simple("Stop it", Release.STOP).second()));
        if (!left.isEmpty() && RunTasks.startedByHand(left.getFirst()))
            return new NextAct(
                    "Look on, and do what it asks for",
                    run.taskTitle() + " is under way. When something is in its way, stop it.",
                    "Safe to stop: what moves is stopped, and can be started again.",
                    Tone.WRITE,
                    List.of(Act.simple("Stop it", Release.STOP)));
        List<String> looks = state.replaced().map(m -> m.traits().looks()).orElse(List.of());
        String normal = looks.isEmpty() ? "" : " Normal meanwhile: " + String.join(", ", looks) + ".";
        boolean asks = !run.committed()
                && run.block() == 0
                && wanted(state, left.stream().limit(1).toList()).findAny().isPresent();
        return new NextAct(
                asks ? "Do what it asks for, then leave everything as it is" : "Leave everything as it is",
                run.taskTitle() + " is under way." + normal,
                "If anything fails now: keep the support unit on, Codrane finds the way back.",
                Tone.WRITE,
                run.committed()
                        ? List.of()
                        : List.of(Act.simple("Stop before the next step", Release.STOP)
                                .second()));
    }

    private static KeyCycle cycle(JobState state) {
        return state.pack().equipment().habits().keyCycle();
    }

    private static NextAct turning(JobRun run) {
        return new NextAct(
                "Turn the key off and on when the module waits for it",
                run.taskTitle() + " is under way; what it waits for stands below. A window that is missed can be opened"
                        + " again.",
                "Safe to stop: a key that was not learned is learned later.",
                Tone.WRITE,
                List.of(Act.simple("Stop it", Release.STOP)));
    }

    private static NextAct counting(JobRun run) {
        return new NextAct(
                "Wait while the known keys are counted",
                run.taskTitle() + " is under way: the module is asked how many it knows, and nothing is sent to it.",
                "Safe to stop: nothing is written by it.",
                Tone.WAITS,
                List.of(Act.simple("Stop it", Release.STOP)));
    }

    private static NextAct interrupted(JobRun run) {
        String where = run.blocks() > 0 ? " It was at block " + run.block() + " of " + run.blocks() + "." : "";
        return new NextAct(
                "The run was interrupted: recover it",
                run.sentence() + where + " " + run.nextStep(),
                run.committed()
                        ? "Don't leave it here: the module has no valid software until this is done. Keep the power on."
                        : "The module is whole, but the steps after this one are not done.",
                Tone.WRITE,
                List.of(Act.strong("Recover the run", Release.RECOVER)));
    }

    @Override
    public Optional<String> found(JobState state) {
        return state.run()
                .map(run -> run.endedAt()
                        .map(end -> run.sentence() + " " + state.now().dayAndTime(end) + ", released by "
                                + run.startedBy() + "." + (run.finished() ? afterwards(state) : ""))
                        .orElse(run.sentence()));
    }
}
