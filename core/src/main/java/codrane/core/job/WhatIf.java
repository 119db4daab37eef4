package codrane.core.job;

import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Resume;
import codrane.core.plan.Operation;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a person may be afraid of during a run, and what it would mean at this very moment. */
public final class WhatIf {
    private final JobState state;
    private final Moment moment;
    private final Optional<Operation> current;

    /** What a disturbance now would meet. */
    private enum Moment {
        /** Nothing is sent: not begun, or stopped between two steps. */
        RESTS,
        /** A write that is read back, a restart, a clear. */
        WRITES,
        /** From erase to verify. */
        COMMITTED,
        /** A routine moves something or aims. */
        MOVES,
        /** A key is awaited. */
        AWAITS_KEY,
        /** A timed turn of the key is awaited, by which a module takes up what is written. */
        AWAITS_TURN,
        /** A pairing, which can't be taken back. */
        BINDS,
        /** Interrupted, and the module has no valid software. */
        ERASED,
        /** Interrupted, and the module is whole. */
        INTERRUPTED
    }

    /** @param question what would happen; {@code answer} what it means and what to do then */
    public record Answer(String question, String answer) {}

    private WhatIf(JobState state, Moment moment) {
        this.state = state;
        this.moment = moment;
        current = RunTasks.left(state).stream().findFirst();
    }

    /** @return empty when no run is before or under way */
    public static List<Answer> now(JobState state) {
        return moment(state).map(m -> new WhatIf(state, m).answers()).orElse(List.of());
    }

    private static Optional<Moment> moment(JobState state) {
        if (state.plan().isEmpty() || state.writes().isEmpty()) return Optional.empty();
        Optional<JobRun> run = state.run();
        return switch (run.map(JobRun::state).orElse(JobRun.State.STOPPED)) {
            case RUNNING -> Optional.of(running(state, run.orElseThrow()));
            case INTERRUPTED -> Optional.of(run.orElseThrow().committed() ? Moment.ERASED : Moment.INTERRUPTED);
            case STOPPED -> Optional.of(Moment.RESTS);
            case FINISHED -> Optional.empty();
        };
    }

    private static Moment running(JobState state, JobRun run) {
        if (run.committed()) return Moment.COMMITTED;
        if (RunTasks.awaitsKey(run)) return Moment.AWAITS_TURN;
        List<Operation> left = RunTasks.left(state);
        if (left.isEmpty()) return Moment.WRITES;
        return switch (left.getFirst().kind()) {
            case ADD_KEY -> RunTasks.keysWith(state).isEmpty() ? Moment.AWAITS_KEY : Moment.WRITES;
            case PAIR -> Moment.BINDS;
            default -> RunTasks.startedByHand(left.getFirst()) ? Moment.MOVES : Moment.WRITES;
        };
    }

    private List<Answer> answers() {
        List<Answer> answers = new ArrayList<>();
        answers.add(new Answer("the cable comes out, or the link breaks?", cable()));
        answers.add(new Answer("the supply falls, or the support unit trips?", supply()));
        answers.add(new Answer("somebody turns the key off?", key()));
        answers.add(new Answer("this computer, Codrane or its database stops?", computer()));
        answers.add(new Answer("I close this page, or am called away?", leaving()));
        answers.add(new Answer("it seems to hang?", hanging()));
        answers.add(new Answer("I want it to stop?", stopping()));
        return List.copyOf(answers);
    }

    private String module() {
        return current.map(Operation::module)
                .filter(id -> !id.isEmpty())
                .map(id -> state.pack().module(id).lowerTitle())
                .orElse("vehicle");
    }

    private String cable() {
        return switch (moment) {
            case RESTS -> "Nothing is being sent: put it back, then go on.";
            case WRITES ->
                "The run is interrupted. What was sent last may have worked or not: recovering reads it first, and writes"
                        + " only what is missing.";
            case COMMITTED ->
                "The " + module() + " waits without valid software. Leave its power on, put the cable back, recover the"
                        + " run: " + onward();
            case MOVES ->
                "What moves ends as the module's own rules say, and the run is interrupted. See that it rests;"
                        + " recovering asks the module how far it got.";
            case AWAITS_KEY ->
                "The window may close unused. Recovering asks how many keys are known: none is learned twice.";
            case AWAITS_TURN -> "It is written. The run is interrupted; recovering asks for the turn of the key anew.";
            case BINDS -> binds();
            case ERASED ->
                "It is put back before you recover the run. The " + module() + " waits as long as its power"
                        + " stays on.";
            case INTERRUPTED -> "It is put back before you recover the run.";
        };
    }

    private String binds() {
        return "Whether it took is not known then, and it is not sent again blindly: recovering asks the " + module()
                + " first. Nothing is bound twice.";
    }

    private String onward() {
        Optional<PackModule.Flash> flash = current.map(Operation::module)
                .filter(id -> !id.isEmpty())
                .flatMap(id -> state.pack().module(id).flash());
        if (flash.map(f -> f.resume() == Resume.FROM_ADDRESS).orElse(false))
            return "it goes on at the first octet that the module does not confirm.";
        String lasting = flash.map(f -> Words.lasting(ProgrammingSeconds.of(state.pack(), f)))
                .map(time -> ", about " + time)
                .orElse("");
        return "it erases and sends everything again" + lasting + ".";
    }

    private String supply() {
        String hold = Words.volts(state.window().hold());
        String critical = Words.volts(state.window().critical());
        return switch (moment) {
            case RESTS -> "No write begins below " + Words.volts(state.window().start()) + ": the run says so.";
            case COMMITTED ->
                "Below " + hold + " it holds before the next block and goes on by itself; below " + critical
                        + " it says so loudly. The voltage alone never ends it. If the " + module()
                        + " loses its power: raise it, recover the run, and " + onward();
            case ERASED ->
                "Raise it before you recover: begun is gone on with from " + hold + ". Without power the " + module()
                        + " stays erased, and is recovered when it has power again.";
            case INTERRUPTED -> "Raise it before you recover the run.";
            case AWAITS_TURN -> "It is written. If the vehicle loses its power, the turn of the key is asked for anew.";
            case WRITES, BINDS, AWAITS_KEY, MOVES ->
                "The next write waits until the supply is back in its window. If the vehicle loses its power, the run is"
                        + " interrupted and reads first what was done.";
        };
    }

    private String key() {
        return switch (moment) {
            case RESTS -> "The run asks for the key itself when it needs it.";
            case COMMITTED, ERASED ->
                "The " + module() + " may lose its power while it has no valid software. Turn the key on again"
                        + " and recover the run: " + onward();
            case AWAITS_KEY -> "That is what is asked for: off, then on, within the window.";
            case AWAITS_TURN ->
                "That is what is asked for: off so long, then on in time. A turn that misses it starts over.";
            case INTERRUPTED -> "Turn it on again before you recover the run.";
            case WRITES, BINDS, MOVES ->
                "The " + module()
                        + " may fall silent. Turn it on again: a question is repeated, a write is read back, and"
                        + " what stays silent ends the run where it is safe.";
        };
    }

    private String computer() {
        return switch (moment) {
            case RESTS -> "Nothing is under way. All of this job is kept.";
            case COMMITTED ->
                "The run becomes interrupted, with its place written down. Keep the power on and start Codrane, on this"
                        + " computer or another that has the cable; recovering is one press, and " + onward();
            case MOVES ->
                "A run that can't keep its hold on the cable stops what moves within seconds. If the computer itself dies,"
                        + " the module's own rules end it: keep clear, and see that it rests.";
            case WRITES, BINDS, AWAITS_KEY, AWAITS_TURN ->
                "The run becomes interrupted, with its place written down. Start Codrane, on this computer or another"
                        + " that has the cable, and recover it.";
            case ERASED, INTERRUPTED ->
                "Its place is written down: recover it when Codrane is back, here or from another computer that has the"
                        + " cable.";
        };
    }

    private String leaving() {
        return switch (moment) {
            case RESTS -> "Safe. Whoever comes next sees the same next act.";
            case COMMITTED, WRITES, BINDS ->
                "Nothing: the run is at the computer with the cable, not in this page. Any browser shows it, a phone on"
                        + " the seat, too; somebody should hear it when it asks for something.";
            case MOVES -> "Don't: something moves, and is started by somebody who looks.";
            case AWAITS_TURN -> "It waits: what it asks for begins anew when somebody turns the key.";
            case AWAITS_KEY -> "The window closes, and the key is not learned; it can be opened again.";
            case ERASED ->
                "Don't leave it so, if you can help it: the " + module()
                        + " does nothing until it is recovered. Keep the"
                        + " power on, and tell whoever comes next; they see the same next act.";
            case INTERRUPTED -> "The module is whole. Whoever comes next sees that the run is to be recovered.";
        };
    }

    private String hanging() {
        return switch (moment) {
            case RESTS, ERASED, INTERRUPTED -> "Nothing is under way, so nothing can hang.";
            case COMMITTED ->
                "Erasing and checking take as long as the module says, minutes at times: it tells every few seconds that"
                        + " it is at work, and Codrane waits for it. When it falls silent, the run ends by itself and says"
                        + " what to do. Never pull the cable to see.";
            case AWAITS_KEY, AWAITS_TURN -> "It waits for the key; the seconds left stand with the step.";
            case WRITES, BINDS, MOVES ->
                "A module that is silent is asked again, then the run ends by itself where it is safe. What it waits for"
                        + " stands at the top.";
        };
    }

    private String stopping() {
        return switch (moment) {
            case RESTS -> "It stands already.";
            case COMMITTED ->
                "Not between erase and verify: it can wait, but not stop. After the restart it can be stopped before the"
                        + " next step.";
            case WRITES -> "Press stop: it ends before the next step, where nothing is half written.";
            case BINDS ->
                "Press stop: it ends before its next question. Going on, the " + module()
                        + " is asked first whether it took.";
            case MOVES -> "Press stop: what moves is stopped first.";
            case AWAITS_TURN -> "Press stop: it is written, and the key is turned later.";
            case AWAITS_KEY -> "Press stop: a key that was not learned is learned later.";
            case ERASED -> "It has stopped, and the " + module() + " has no valid software: it must be recovered.";
            case INTERRUPTED -> "It has stopped. Recover it, or scan and plan again.";
        };
    }
}
