package codrane.app.live;

import codrane.app.records.ChangeLedger;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import codrane.link.run.RunJournal;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;

/** Journals a run in the database, renews its lease with each row, and keeps the change ledger. */
final class JdbcRunJournal implements RunJournal {
    /** Blocks share one row; their mark moves at most this often. */
    private static final Duration BLOCK_MARK = Duration.ofSeconds(1);

    private final RunOrder order;
    private final long runId;
    private final long fence;
    private final RunStore store;
    private final Leases leases;
    private final ChangeLedger ledger;
    private final RunProgress progress;
    private final InstantSource time;
    private int index;
    private long openRow;
    private long blockRow;
    private Instant marked = Instant.EPOCH;

    /** The collaborators, which are the same for all runs. */
    record Tools(RunStore store, Leases leases, ChangeLedger ledger, InstantSource time) {}

    JdbcRunJournal(RunOrder order, long runId, long fence, int startIndex, Tools tools, RunProgress progress) {
        this.order = order;
        this.runId = runId;
        this.fence = fence;
        this.index = startIndex;
        this.store = tools.store();
        this.leases = tools.leases();
        this.ledger = tools.ledger();
        this.time = tools.time();
        this.progress = progress;
    }

    @Override
    public void open(RunState state, RunAction action) {
        if (state.index() != index) completed(state.index());
        switch (action) {
            case RunAction.Send send -> {
                leases.renew(order.bench().name(), fence);
                store.progress(runId, state);
                openRow = store.journal(
                        runId, send.purpose(), send.module(), send.request().hex(), send.writes());
                progress.tell(state, send.purpose(), true);
            }
            case RunAction.SendBlock block -> openBlock(state, block);
            case RunAction.AwaitPower power -> {}
            case RunAction.AwaitKeyOn key -> {}
            case RunAction.Pause pause -> {}
            case RunAction.Finished finished -> {}
            case RunAction.Stopped stopped -> {}
        }
    }

    private void openBlock(RunState state, RunAction.SendBlock block) {
        boolean first = block.number() == 1 && state.tries() == 0;
        Instant now = time.instant();
        if (first || Duration.between(marked, now).compareTo(BLOCK_MARK) >= 0) {
            leases.renew(order.bench().name(), fence);
            store.progress(runId, state);
            marked = now;
        }
        if (first) {
            String request = "36 01.. from %08X".formatted(block.address());
            blockRow = store.journal(runId, "Send " + state.blocks() + " blocks", block.module(), request, true);
        }
        progress.tell(state, "Send blocks", first);
    }

    @Override
    public void close(RunState state, RunAction action, Reply reply) {
        boolean lastBlock = action instanceof RunAction.SendBlock block && block.number() == state.blocks();
        boolean trouble = !(reply instanceof Reply.Positive);
        if (action instanceof RunAction.SendBlock && !lastBlock && !trouble) return;
        long row = action instanceof RunAction.SendBlock ? blockRow : openRow;
        switch (reply) {
            case Reply.Positive(Bytes message) -> store.close(row, "POSITIVE", message.hex());
            case Reply.Refused refused ->
                store.close(row, "REFUSED", refused.code().words());
            case Reply.Silent silent ->
                store.close(row, "SILENT", silent.waited().toMillis() + " ms");
        }
    }

    /** All tasks before the index are done and read back. */
    void completed(int next) {
        for (; index < next; index++) note(order.tasks().get(index));
    }

    private void note(RunTask task) {
        ChangeLedger.Origin origin = new ChangeLedger.Origin(
                order.subject().vehicleId(),
                order.subject().jobId(),
                runId,
                order.subject().who());
        ModuleReading before = order.before()
                .getOrDefault(
                        task.module().id(), ModuleReading.silent(task.module().id()));
        switch (task) {
            case RunTask.Program program -> {
                if (!store.journalled(runId, "Erase", task.module().id())) return;
                ledger.add(
                        origin, change(task, null, before.text(Ident.SOFTWARE).orElse(""), program.softwareAfter()));
            }
            case RunTask.Write write -> {
                if (!store.journalled(runId, task.title(), task.module().id())) return;
                ledger.add(
                        origin,
                        change(
                                task,
                                write.dataIdentifier(),
                                was(before, write).hex(),
                                write.value().hex()));
            }
            case RunTask.Restart restart -> {}
            case RunTask.Clear clear -> {}
        }
    }

    private ChangeLedger.Change change(
            RunTask task, @org.jspecify.annotations.Nullable Integer dataIdentifier, String before, String after) {
        return new ChangeLedger.Change(time.instant(), task.module().id(), task.title(), dataIdentifier, before, after);
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
