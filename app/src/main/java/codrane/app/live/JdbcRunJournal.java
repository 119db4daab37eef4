package codrane.app.live;

import codrane.app.live.RunStore.Answer;
import codrane.app.records.ChangeLedger;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.core.uds.UdsResponse;
import codrane.link.run.RunJournal;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
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
    private final long runId;
    private final RunStore store;
    private final ChangeLedger ledger;
    private final RunProgress progress;
    private final RunControl control;
    private final Runnable renew;
    private final InstantSource time;
    /** What stood in the vehicle just before a write, by the task's index. */
    private final Map<Integer, Bytes> readBefore = new HashMap<>();

    private int index;
    private long openRow;
    private long blockRow;
    private Instant marked = Instant.EPOCH;

    /** The collaborators, which are the same for all runs. */
    record Tools(RunStore store, ChangeLedger ledger, InstantSource time) {}

    /** @param renew throws {@link Leases.LeaseLostException} when the lease is another's */
    JdbcRunJournal(RunOrder order, long runId, Tools tools, RunProgress progress, RunControl control, Runnable renew) {
        this.order = order;
        this.runId = runId;
        this.store = tools.store();
        this.ledger = tools.ledger();
        this.time = tools.time();
        this.progress = progress;
        this.control = control;
        this.renew = renew;
    }

    @Override
    public void open(RunState state, RunAction action) {
        completed(state.index());
        switch (action) {
            case RunAction.Send send -> {
                openRow = patiently(() -> {
                    store.progress(runId, state);
                    return store.journal(
                            runId,
                            state.index(),
                            send.purpose(),
                            send.module(),
                            send.request().encode().hex(),
                            send.writes());
                });
                progress.tell(state, send.purpose(), true);
            }
            case RunAction.SendBlock block -> openBlock(state, block);
            case RunAction.SendKey key -> {} // sent as a request like any other
            case RunAction.AwaitPower power -> {}
            case RunAction.AwaitConditions needed -> {}
            case RunAction.AwaitKeyTurn turn -> {
                patiently(() -> {
                    store.progress(runId, state);
                    return runId;
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
                store.progress(runId, state);
                return now;
            });
            marked = now;
        }
        if (first) {
            String request = "36 01.. from %08X".formatted(block.address());
            blockRow = patiently(() -> store.journal(
                    runId, state.index(), "Send " + state.blocks() + " blocks", block.module(), request, true));
        }
        progress.tell(state, "Send blocks", first);
    }

    @Override
    public void close(RunState state, RunAction action, Reply reply) {
        noteBefore(state, reply);
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

    /** What is read just before a write is what was there; when it reads as wanted, nothing is written. */
    private void noteBefore(RunState state, Reply reply) {
        if (state.phase() == RunState.Phase.READ
                && state.task() instanceof RunTask.Write write
                && reply instanceof Reply.Positive positive
                && positive.response() instanceof UdsResponse.ReadDataByIdentifier(int identifier, Bytes found)
                && !found.equals(write.value())) readBefore.put(state.index(), found);
    }

    /** However it ended: what was done is in the ledger, and going on begins where it ended. */
    void ended(RunState state) {
        completed(state.index());
        patiently(() -> {
            store.progress(runId, state);
            return runId;
        });
    }

    /** All tasks before the index are done and read back. */
    private void completed(int next) {
        for (; index < next; index++) {
            int done = index;
            patiently(() -> {
                note(done, order.tasks().get(done));
                return done;
            });
        }
    }

    private void note(int done, RunTask task) {
        ChangeLedger.Origin origin = new ChangeLedger.Origin(
                order.subject().vehicleId(),
                order.subject().jobId(),
                runId,
                done,
                order.subject().who());
        ModuleReading before = order.before()
                .getOrDefault(
                        task.module().id(), ModuleReading.silent(task.module().id()));
        switch (task) {
            case RunTask.Program program -> {
                if (!store.wrote(runId, done)) return;
                ledger.add(
                        origin, change(task, null, before.text(Ident.SOFTWARE).orElse(""), program.softwareAfter()));
            }
            case RunTask.Write write -> {
                if (!store.wrote(runId, done)) return;
                ledger.add(
                        origin,
                        change(
                                task,
                                write.dataIdentifier(),
                                readBefore
                                        .getOrDefault(done, was(before, write))
                                        .hex(),
                                write.value().hex()));
            }
            case RunTask.LearnVin learn -> {
                if (!store.wrote(runId, done)) return;
                String was = before.octets(Ident.VIN).orElse(Bytes.EMPTY).hex();
                ledger.add(
                        origin,
                        change(
                                task,
                                learn.module().did(Ident.VIN),
                                was,
                                learn.vin().hex()));
            }
            case RunTask.Pair pair -> {
                if (!store.wrote(runId, done)) return;
                ledger.add(origin, secret(pair, pair.member().id(), 0, 1));
            }
            case RunTask.LearnKey key -> {
                if (!store.wrote(runId, done)) return;
                ledger.add(origin, secret(key, key.module().id(), key.number() - 1, key.number()));
            }
            case RunTask.KeysElsewhere keys -> {} // not by this run
            case RunTask.Routine routine -> {}
            case RunTask.TurnKey turn -> {}
            case RunTask.Restart restart -> {}
            case RunTask.Clear clear -> {}
        }
    }

    /** Of the member: whether it is paired; of the keeper of the secret: how many keys it knows. */
    private ChangeLedger.Change secret(RunTask.Secret task, String module, int before, int after) {
        int did = task.immobiliser().state();
        String was = Bytes.of(before).hex();
        return new ChangeLedger.Change(
                time.instant(), module, task.title(), did, was, Bytes.of(after).hex(), "");
    }

    private ChangeLedger.Change change(
            RunTask task, @org.jspecify.annotations.Nullable Integer dataIdentifier, String before, String after) {
        return new ChangeLedger.Change(
                time.instant(),
                task.module().id(),
                task.title(),
                dataIdentifier,
                before,
                after,
                software(task.module().id()));
    }

    /** Of the module as this run leaves it: that of its own programming, else the one that was read. */
    private String software(String module) {
        return order.tasks().stream()
                .flatMap(task -> task instanceof RunTask.Program program
                                && program.module().id().equals(module)
                        ? Stream.of(program.softwareAfter())
                        : Stream.empty())
                .findFirst()
                .orElseGet(() -> order.before()
                        .getOrDefault(module, ModuleReading.silent(module))
                        .text(Ident.SOFTWARE)
                        .orElse(""));
    }

    private Bytes was(ModuleReading before, RunTask.Write write) {
        if (write.dataIdentifier() == write.module().did(Ident.VIN))
            return before.octets(Ident.VIN).orElse(Bytes.EMPTY);
        return order.pack().blocksOf(write.module()).stream()
                .filter(layout -> layout.dataIdentifier() == write.dataIdentifier())
                .map(Layout::id)
                .map(id -> before.coding().getOrDefault(id, Bytes.EMPTY))
                .findFirst()
                .orElse(Bytes.EMPTY);
    }
}
