package codrane.app.job;

import codrane.app.Times;
import codrane.app.job.jpa.JobStore;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
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
    private final TransactionTemplate transactions;
    private final Times times;
    private final InstantSource time;
    private final ThreadLocal<Boolean> within = ThreadLocal.withInitial(() -> false);

    Acts(JobDesk desk, JobStore jobs, TransactionTemplate transactions, Times times, InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.transactions = transactions;
        this.times = times;
        this.time = time;
    }

    /**
     * Does it. Within another act it is part of that.
     *
     * @param stage to which it belongs; it is refused while hold points before that are open
     * @param what in words that follow a name: "noted the arrival"
     */
    public Acted on(long number, String who, Stage stage, String what, Function<JobFacts, Acted> act) {
        return on(number, who, what, facts -> early(facts, stage).orElseGet(() -> act.apply(facts)));
    }

    /** As {@link #on(long, String, Stage, String, Function)}, for what may be done at any time. */
    public Acted on(long number, String who, String what, Function<JobFacts, Acted> act) {
        if (within.get()) return act.apply(desk.facts(number));
        return alone(number, who, what, locked -> refusal(locked, who), act, true);
    }

    /** Keeps what an act brought that was pressed before: the wire, or a service, was asked meanwhile. */
    public Acted then(long number, String who, String what, Function<JobFacts, Acted> act) {
        return alone(number, who, what, locked -> closed(locked), act, false);
    }

    /** The act that opens a closed job again. */
    Acted onClosed(long number, String who, String what, Function<JobFacts, Acted> act) {
        return alone(number, who, what, locked -> first(locked, who), act, true);
    }

    private Acted alone(
            long number,
            String who,
            String what,
            Function<JobStore.Locked, Optional<Acted>> refusal,
            Function<JobFacts, Acted> act,
            boolean pressed) {
        return transactions.execute(transaction -> {
            JobStore.Locked locked = jobs.lock(number).orElseThrow(() -> new JobDesk.UnknownJobException(number));
            Optional<Acted> refused = refusal.apply(locked);
            if (refused.isPresent()) return refused.get();
            within.set(true);
            try {
                Acted acted = act.apply(desk.facts(number));
                if (acted instanceof Acted.Done) done(locked, what, who, pressed);
                return acted;
            } finally {
                within.remove();
            }
        });
    }

    private void done(JobStore.Locked locked, String what, String who, boolean pressed) {
        Instant now = time.instant();
        jobs.acted(locked.id(), what, who, now);
        if (!pressed) return;
        Pressed.current().ifPresent(p -> jobs.press(p.key(), locked.id(), new JobStore.LastAct(what, who, now)));
        Pressed.clear(); // what else this request does belongs to the same press
    }

    private Optional<Acted> refusal(JobStore.Locked locked, String who) {
        return closed(locked).or(() -> first(locked, who));
    }

    private static Optional<Acted> closed(JobStore.Locked locked) {
        return locked.closed() ? Optional.of(refused(CLOSED)) : Optional.empty();
    }

    /** Whether this press, or another person, was first. */
    private Optional<Acted> first(JobStore.Locked locked, String who) {
        Optional<Pressed> pressed = Pressed.current();
        if (pressed.isEmpty()) return Optional.empty();
        Optional<JobStore.LastAct> same = twice(pressed.get());
        if (same.isPresent())
            return Optional.of(refused("Pressed twice: it was done once, at "
                    + times.clock(same.get().at()) + "."));
        boolean stale =
                pressed.get().seen().map(seen -> seen != locked.version()).orElse(false);
        return stale ? Optional.of(refused(sooner(locked, who))) : Optional.empty();
    }

    private Optional<JobStore.LastAct> twice(Pressed pressed) {
        return jobs.pressed(pressed.key())
                .filter(p -> pressed.named()
                        || Duration.between(p.at(), time.instant()).compareTo(TWICE) < 0);
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
    <T> T making(Supplier<T> act, Function<String, T> twice) {
        return transactions.execute(transaction -> {
            Optional<Pressed> pressed = Pressed.current();
            pressed.ifPresent(p -> jobs.lockPress(p.key()));
            Optional<JobStore.LastAct> same = pressed.flatMap(this::twice);
            if (same.isPresent()) return twice.apply(same.get().what());
            return act.get();
        });
    }

    /** Notes that a form which makes a job was pressed; {@code what} names the job that came of it. */
    void made(String what, String who) {
        Pressed.current().ifPresent(p -> jobs.press(p.key(), null, new JobStore.LastAct(what, who, time.instant())));
    }

    /** What is asked for too early; a locked gateway keeps nobody from reading and deciding. */
    private static Optional<Acted> early(JobFacts facts, Stage stage) {
        List<HoldPoint> open = facts.progress().openBefore(stage).stream()
                .filter(p -> p != HoldPoint.AUTHORISED || stage.compareTo(Stage.RUN) > 0)
                .toList();
        if (open.isEmpty()) return Optional.empty();
        return Optional.of(refused(open.getFirst().stage().title() + " comes before " + stage.title()
                + ". Still open: "
                + open.stream().map(HoldPoint::title).collect(Collectors.joining("; ")) + "."));
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
