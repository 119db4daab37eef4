package codrane.app.live;

import codrane.app.live.RunStore.Answer;
import codrane.app.live.RunStore.Opened;
import codrane.app.records.ChangeLedger;
import codrane.core.octets.Bytes;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.TaskChanges;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import codrane.link.run.RunJournal;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.function.Supplier;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.dao.TransientDataAccessException;

/** Journals a run in the database, and keeps the change ledger. A database that is away for a while is waited for. */
final class JdbcRunJournal implements RunJournal {
    /** Blocks share one row; their mark moves at most this often. */
    private static final Duration BLOCK_MARK = Duration.ofSeconds(1);

    private static final Duration MOST_PATIENCE = Duration.ofSeconds(90);
    private static final Duration ASK_AGAIN = Duration.ofMillis(500);
    private static final Duration SLOW = Duration.ofSeconds(5);

    private final RunOrder order;
    private final Claim claim;
    private final RunStore store;
    private final ChangeLedger ledger;
    private final RunProgress progress;
    private final RunControl control;
    private final Runnable renew;
    private final InstantSource time;
    private final TaskChanges changes;

    private int index;
    private long openRow;
    private long blockRow;
    private Instant marked = Instant.EPOCH;

    /** The collaborators, which are the same for all runs. */
    record Tools(RunStore store, ChangeLedger ledger, InstantSource time) {}

    /** @param renew throws {@link LeaseLostException} when the lease is another's */
    JdbcRunJournal(RunOrder order, Claim claim, Tools tools, RunProgress progress, RunControl control, Runnable renew) {
        this.order = order;
        this.claim = claim;
        this.store = tools.store();
        this.ledger = tools.ledger();
        this.time = tools.time();
        this.progress = progress;
        this.control = control;
        this.renew = renew;
        changes = new TaskChanges(order.pack(), order.tasks(), order.before());
    }

    @Override
    public void open(RunState state, RunAction action) {
        completed(state.index());
        switch (action) {
            case RunAction.Send send -> {
                openRow = patiently(() -> {
                    store.progress(claim, state);
                    return store.journal(
                            claim,
                            new Opened(
                                    state.index(),
                                    send.purpose(),
                                    send.module(),
                                    send.request().encode().hex(),
                                    send.writes()));
                });
                progress.tell(state, send.purpose(), true);
            }
            case RunAction.SendBlock block -> openBlock(state, block);
            case RunAction.SendKey key -> {} // sent as a request like any other
            case RunAction.AwaitPower power -> {}
            case RunAction.AwaitConditions needed -> {}
            case RunAction.AwaitKeyTurn turn -> {
                patiently(() -> {
                    store.progress(claim, state);
                    return true;
                });
                progress.tell(state, "Wait for the key", true);
            }
            case RunAction.Pause pause -> {}
            case RunAction.Finished finished -> {}
            case RunAction.Stopped stopped -> {}
        }
    }

    /** Again and again while the database does not answer: the module waits, and its session is kept. */
    private <T> T patiently(Supplier<T> write) {
        Instant began = time.instant();
        Instant until = began.plus(MOST_PATIENCE);
        while (true) {
            try {
                T written = write.get();
                boolean slow = Duration.between(began, time.instant()).compareTo(SLOW) > 0;
                if (slow) renew.run(); // another run may have the interface by now
                return written;
            } catch (DataAccessResourceFailureException
                    | TransientDataAccessException
                    | RecoverableDataAccessException e) {
                if (control.lost()
                        || control.halt().isPresent()
                        || time.instant().isAfter(until)) throw e;
                progress.hold("Held: the database does not answer. Keep the power on; it goes on by itself.");
                sleep();
            }
        }
    }

    private static void sleep() {
        try {
            Thread.sleep(ASK_AGAIN);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("the run's thread was interrupted", e);
        }
    }

    private void openBlock(RunState state, RunAction.SendBlock block) {
        boolean first = block.number() == 1 && state.tries() == 0;
        Instant now = time.instant();
        if (first || Duration.between(marked, now).compareTo(BLOCK_MARK) >= 0) {
            patiently(() -> {
                store.progress(claim, state);
                return now;
            });
            marked = now;
        }
        if (first) {
            String request = "36 01.. from %08X".formatted(block.address());
            blockRow = patiently(() -> store.journal(
                    claim,
                    new Opened(state.index(), "Send " + state.blocks() + " blocks", block.module(), request, true)));
        }
        progress.tell(state, "Send blocks", first);
    }

    @Override
    public void close(RunState state, RunAction action, Reply reply) {
        changes.saw(state, reply);
        boolean lastBlock = action instanceof RunAction.SendBlock block && block.number() == state.blocks();
        boolean trouble = !(reply instanceof Reply.Positive);
        if (action instanceof RunAction.SendBlock && !lastBlock && !trouble) return;
        long row = action instanceof RunAction.SendBlock ? blockRow : openRow;
        patiently(() -> {
            switch (reply) {
                case Reply.Positive(Bytes message) -> store.close(row, Answer.POSITIVE, message.hex());
                case Reply.Refused refused ->
                    store.close(row, Answer.REFUSED, refused.code().words());
                case Reply.Silent silent ->
                    store.close(row, Answer.SILENT, silent.waited().toMillis() + " ms");
            }
            return row;
        });
    }

    /** However it ended: what was done is in the ledger, and going on begins where it ended. */
    void ended(RunState state) {
        completed(state.index());
        patiently(() -> {
            store.progress(claim, state);
            return true;
        });
    }

    /** All tasks before the index are done and read back. */
    private void completed(int next) {
        for (; index < next; index++) {
            int done = index;
            patiently(() -> {
                note(done);
                return done;
            });
        }
    }

    private void note(int done) {
        if (!store.wrote(claim.runId(), done)) return;
        RunOrder.Subject of = order.subject();
        changes.of(done)
                .ifPresent(change -> ledger.add(
                        new ChangeLedger.Origin(of.vehicleId(), of.jobId(), claim.runId(), done, of.who()),
                        ChangeLedger.Change.of(time.instant(), change)));
    }
}
