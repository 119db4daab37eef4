package codrane.app.job;

import codrane.app.live.JobTasks;
import codrane.app.press.LastAct;
import codrane.app.press.Pressed;
import codrane.app.press.Presses;
import codrane.app.workshop.Times;
import codrane.core.job.JobState;
import codrane.core.job.act.Ask;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Carries out one act of a person on a job: alone, in one transaction with what it records, and once. A closed job takes
 * none; nor does one that somebody changed since the page was loaded: the later of two people reads who was first.
 */
@Component
public class Acts {
    static final String CLOSED =
            "This job is closed: nothing of it changes any more. Reopen it first, with a reason; see Record.";
    /** A form without a key of its own, pressed by the same person with the same fields so soon, was pressed twice. */
    private static final Duration TWICE = Duration.ofSeconds(5);

    private final JobDesk desk;
    private final JobStore jobs;
    private final Presses presses;
    private final JobTasks tasks;
    private final TransactionTemplate transactions;
    private final Times times;
    private final InstantSource time;
    private final ThreadLocal<Boolean> within = ThreadLocal.withInitial(() -> false);

    Acts(
            JobDesk desk,
            JobStore jobs,
            Presses presses,
            JobTasks tasks,
            TransactionTemplate transactions,
            Times times,
            InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.presses = presses;
        this.tasks = tasks;
        this.transactions = transactions;
        this.times = times;
        this.time = time;
    }

    /** Does it, unless something stops it. Within another act it is part of that. */
    public Acted on(long number, String who, Ask ask, Function<JobState, Acted> act) {
        return on(number, who, ask.said(), state -> stopped(state, ask).orElseGet(() -> act.apply(state)));
    }

    private static Optional<Acted> stopped(JobState state, Ask ask) {
        return ask.stop(state).map(Acted::refused);
    }

    private Acted on(long number, String who, String what, Function<JobState, Acted> act) {
        if (within.get()) return act.apply(desk.state(number));
        tasks.seen(number); // how the last task failed is shown until something new is done
        return alone(number, who, what, locked -> closed(locked).or(() -> first(locked, who)), act, true);
    }

    /** An act that goes over the wire: allowed and noted now, done after. */
    public sealed interface Begun {
        record Allowed(JobState state) implements Begun {}

        record No(Acted acted) implements Begun {}

        default Acted then(Function<JobState, Acted> work) {
            return switch (this) {
                case Allowed(JobState state) -> work.apply(state);
                case No(Acted acted) -> acted;
            };
        }
    }

    /**
     * Begins an act whose work is done outside any transaction.
     *
     * @param more why it is refused, beyond what the act's own rules say
     */
    public Begun begin(long number, String who, Ask ask, Function<JobState, Optional<Acted>> more) {
        JobState[] asked = new JobState[1];
        Acted allowed = on(number, who, ask, state -> {
            asked[0] = state;
            return more.apply(state).orElseGet(Acted::done);
        });
        return allowed instanceof Acted.Done ? new Begun.Allowed(asked[0]) : new Begun.No(allowed);
    }

    /** As {@link #begin}, for what waits until nothing else is under way for the job. */
    public Begun beginAlone(long number, String who, Ask ask, Function<JobState, Optional<Acted>> more) {
        return begin(number, who, ask, state -> more.apply(state).or(() -> busy(number)));
    }

    /** As {@link #beginAlone}, with nothing more to ask. */
    public Begun beginAlone(long number, String who, Ask ask) {
        return beginAlone(number, who, ask, state -> Optional.empty());
    }

    /** What is under way for the job in the background. */
    public Optional<Acted> busy(long number) {
        return tasks.busy(number).map(title -> Acted.refused("Wait until this has ended: " + title + "."));
    }

    /** Keeps what an act brought that was pressed before: the wire, or a service, was asked meanwhile. */
    public Acted then(long number, String who, String what, Function<JobState, Acted> act) {
        return alone(number, who, what, Acts::closed, act, false);
    }

    /**
     * Asks somebody outside (a maker's service) between two transactions: none is open, and no other act of the job waits,
     * while an answer is awaited. The act's own rules are asked again before anything is kept.
     *
     * @param more why it is refused without asking
     * @param asked what the answer comes to; kept in the second transaction
     */
    public Acted asking(
            long number,
            String who,
            Ask ask,
            Function<JobState, Optional<Acted>> more,
            Function<JobState, Function<JobState, Acted>> asked) {
        if (within.get()) return ask(desk.state(number), ask, more, asked);
        tasks.seen(number);
        JobState[] seen = new JobState[1];
        Acted allowed = alone(number, locked -> closed(locked).or(() -> first(locked, who)), state -> {
            seen[0] = state;
            return stopped(state, ask).or(() -> more.apply(state)).orElseGet(Acted::done);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        Function<JobState, Acted> kept = asked.apply(seen[0]);
        return on(number, who, ask, kept);
    }

    private static Acted ask(
            JobState state,
            Ask ask,
            Function<JobState, Optional<Acted>> more,
            Function<JobState, Function<JobState, Acted>> asked) {
        return stopped(state, ask)
                .or(() -> more.apply(state))
                .orElseGet(() -> asked.apply(state).apply(state));
    }

    /** As {@link #then}, in the background: a refusal is told as the task's failure. */
    public void keep(long number, String who, String what, Function<JobState, Acted> act) {
        if (then(number, who, what, act) instanceof Acted.Refused(String sentence, var remedy))
            throw new JobTasks.TaskFailedException(sentence);
    }

    /** The act that opens a closed job again. */
    public Acted onClosed(long number, String who, Ask ask, Function<JobState, Acted> act) {
        return alone(
                number,
                who,
                ask.said(),
                locked -> first(locked, who),
                state -> stopped(state, ask).orElseGet(() -> act.apply(state)),
                true);
    }

    private Acted alone(
            long number,
            String who,
            String what,
            Function<JobStore.Locked, Optional<Acted>> refusal,
            Function<JobState, Acted> act,
            boolean pressed) {
        return alone(number, refusal, act, locked -> done(locked, new LastAct(what, who, time.instant()), pressed));
    }

    /** Nothing of it is recorded: it was only looked whether it may be done. */
    private Acted alone(
            long number, Function<JobStore.Locked, Optional<Acted>> refusal, Function<JobState, Acted> act) {
        return alone(number, refusal, act, locked -> {});
    }

    private Acted alone(
            long number,
            Function<JobStore.Locked, Optional<Acted>> refusal,
            Function<JobState, Acted> act,
            Consumer<JobStore.Locked> done) {
        return transactions.execute(transaction -> {
            JobStore.Locked locked = jobs.lock(number).orElseThrow(() -> new JobDesk.UnknownJobException(number));
            Optional<Acted> refused = refusal.apply(locked);
            if (refused.isPresent()) return refused.get();
            within.set(true);
            try {
                Acted acted = act.apply(desk.state(number));
                if (acted instanceof Acted.Done) done.accept(locked);
                return acted;
            } finally {
                within.remove();
            }
        });
    }

    private void done(JobStore.Locked locked, LastAct act, boolean pressed) {
        jobs.acted(locked.id(), act);
        if (!pressed) return;
        Pressed.current().ifPresent(p -> presses.put(p.key(), locked.id(), act));
        Pressed.clear(); // what else this request does belongs to the same press
    }

    private static Optional<Acted> closed(JobStore.Locked locked) {
        return locked.closed() ? Optional.of(Acted.refused(CLOSED)) : Optional.empty();
    }

    /** Whether this press, or another person, was first. */
    private Optional<Acted> first(JobStore.Locked locked, String who) {
        Optional<Pressed> pressed = Pressed.current();
        if (pressed.isEmpty()) return Optional.empty();
        Optional<LastAct> same = twice(pressed.get());
        if (same.isPresent())
            return Optional.of(Acted.refused("Pressed twice: it was done once, at "
                    + times.clock(same.get().at()) + "."));
        boolean stale =
                pressed.get().seen().map(seen -> seen != locked.version()).orElse(false);
        return stale ? Optional.of(Acted.refused(sooner(locked, who))) : Optional.empty();
    }

    private Optional<LastAct> twice(Pressed pressed) {
        Instant now = time.instant();
        return presses.of(pressed.key())
                .filter(p -> pressed.named() || Duration.between(p.at(), now).compareTo(TWICE) < 0);
    }

    private String sooner(JobStore.Locked locked, String who) {
        String first = locked.last()
                .map(last -> (last.who().equals(who) ? "You were first, elsewhere: " : last.who() + " was first: ")
                        + last.what() + " at " + times.clock(last.at()) + ", after your page was loaded.")
                .orElse("The job changed after your page was loaded.");
        return first + " Nothing of yours was done. Look, then press again.";
    }

    /**
     * An act without a job yet: the transaction, and its key, of a form that makes one.
     *
     * @param twice what is made of what {@link #made} noted, when this was pressed before
     */
    public <T> T making(Supplier<T> act, Function<String, T> twice) {
        return transactions.execute(transaction -> {
            Optional<Pressed> pressed = Pressed.current();
            pressed.ifPresent(p -> presses.lock(p.key()));
            Optional<LastAct> same = pressed.flatMap(this::twice);
            if (same.isPresent()) return twice.apply(same.get().what());
            return act.get();
        });
    }

    /** Notes that a form which makes a job was pressed; {@code what} names the job that came of it. */
    public void made(String what, String who) {
        Pressed.current().ifPresent(p -> presses.put(p.key(), null, new LastAct(what, who, time.instant())));
    }
}
