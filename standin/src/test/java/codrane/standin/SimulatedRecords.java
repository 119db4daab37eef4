package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Recovery;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.TaskChanges;
import codrane.core.scan.ModuleReading;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import codrane.link.run.RunJournal;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** What outlives the process of a run: its journal, ledger and lease, as the database keeps them. */
final class SimulatedRecords {
    /** How long a lease lasts, and how long it is over until the run is called interrupted. */
    private static final Duration LEFT_ALONE = Duration.ofSeconds(16);

    private final SimulatedJob.Ready job;
    private final Set<Integer> wrote = new HashSet<>();
    /** By the task's index. */
    private final Map<Integer, TaskChanges.Change> ledger = new TreeMap<>();

    private int index;
    private long fence;

    private int calls;
    private int killAt;
    private int writings;
    private int killAtWriting;
    private int handAt;
    private Runnable hand = () -> {};
    private int hangAt;
    private Duration hang = Duration.ZERO;
    private Runnable meanwhile = () -> {};

    SimulatedRecords(SimulatedJob.Ready job) {
        this.job = job;
    }

    /** The process is gone, whatever it was about. */
    static final class Killed extends RuntimeException {
        Killed() {
            super(null, null, false, false);
        }
    }

    private Instant now() {
        return job.workshop().vehicle().now();
    }

    void calm() {
        killAt = 0;
        killAtWriting = 0;
        handAt = 0;
        hangAt = 0;
    }

    /** Has the process die at a call of its journal or its gates from now on, from 1. */
    void killAt(int call) {
        killAt = calls + call;
    }

    /** Has the process die just after a write, and before that is known. */
    void killAtWriting(int number) {
        killAtWriting = writings + number;
    }

    /** Has somebody do something at the vehicle. */
    void handAt(int call, Runnable act) {
        handAt = calls + call;
        hand = act;
    }

    /** Has the process, with all its threads, stand still. Long enough, and another takes the run over. */
    void hangAt(int call, Duration span, Runnable another) {
        hangAt = calls + call;
        hang = span;
        meanwhile = another;
    }

    int index() {
        return index;
    }

    Recovery.Ended ended(boolean interrupted) {
        return new Recovery.Ended(index, interrupted, wrote.contains(index));
    }

    /** A process begins with the run, or goes on with it. */
    Node node() {
        return new Node(++fence);
    }

    /** @return whether it stood still just now */
    private boolean moment() {
        if (++calls == killAt) throw new Killed();
        if (calls == handAt) hand.run();
        if (calls != hangAt) return false;
        hangAt = 0;
        job.workshop().time().advance(hang);
        if (hang.compareTo(LEFT_ALONE) >= 0) meanwhile.run();
        return true;
    }

    /** One process that carries the run out. */
    final class Node implements RunJournal {
        private final long mine;
        private final RunControl control = new RunControl("the interface", now());
        private final TaskChanges changes =
                new TaskChanges(job.workshop().vehicle().pack(), job.tasks(), job.before());
        private Optional<RunAction> opened = Optional.empty();
        private int noted;

        private Node(long mine) {
            this.mine = mine;
        }

        /** Of its heart, which stands still when the process does. */
        private void beat() {
            if (mine == fence) control.renewed(now());
            else control.lose();
        }

        /** @throws LeaseLostException when another has the run */
        void beforeSending(RunState state) {
            if (!moment()) beat();
            if (control.stale(now())) beat();
            control.mayGoOn(state);
        }

        @Override
        public void open(RunState state, RunAction action) {
            boolean hung = moment();
            done(state.index());
            opened = Optional.of(action);
            boolean writes = action instanceof RunAction.Send send && send.writes();
            if (writes || action instanceof RunAction.SendBlock) wrote.add(state.index());
            hung |= moment();
            if (hung) fenced(); // what took long is asked for again
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {
            moment();
            boolean writes = action instanceof RunAction.Send send && send.writes();
            if (writes && ++writings == killAtWriting) throw new Killed();
            changes.saw(state, reply);
            opened = Optional.empty();
        }

        private void fenced() {
            if (mine != fence) throw new LeaseLostException("the interface");
        }

        /** All tasks before the next are done and read back; where the run is only its owner says. */
        void done(int next) {
            for (; noted < next; noted++) if (wrote.contains(noted)) note(noted);
            fenced();
            index = next;
        }

        private void note(int task) {
            changes.of(task).ifPresent(change -> ledger.putIfAbsent(task, change));
        }

        /** @param merely whether it only reads, as the gates may do between two steps */
        void sends(Bytes request, boolean merely) {
            assertThat(mine)
                    .as("sent by the process that has the run: " + request.hex())
                    .isEqualTo(fence);
            if (merely) return;
            assertThat(opened).as("in the journal: " + request.hex()).hasValueSatisfying(action -> {
                if (action instanceof RunAction.Send send)
                    assertThat(request.hex()).startsWith(send.request().encode().hex());
                else assertThat(action).isInstanceOf(RunAction.SendBlock.class);
            });
        }
    }

    /** What the vehicle held and holds differs by what the ledger says, and by nothing else. */
    void ledgerAgrees() {
        Map<String, ModuleReading> after = job.read().modules();
        after.forEach((module, is) -> agrees(job.workshop().vehicle().pack().module(module), is));
    }

    private void agrees(PackModule module, ModuleReading is) {
        ModuleReading was = job.before().getOrDefault(module.id(), ModuleReading.silent(module.id()));
        agrees(module, Optional.empty(), text(was), text(is));
        agrees(module, Optional.of(module.did(Ident.VIN)), vin(was), vin(is));
        job.workshop()
                .vehicle()
                .pack()
                .blocksOf(module)
                .forEach(layout -> agrees(
                        module,
                        Optional.of(layout.dataIdentifier()),
                        Optional.ofNullable(was.coding().get(layout.id())).map(Bytes::hex),
                        Optional.ofNullable(is.coding().get(layout.id())).map(Bytes::hex)));
    }

    private static Optional<String> text(ModuleReading reading) {
        return reading.text(Ident.SOFTWARE);
    }

    private static Optional<String> vin(ModuleReading reading) {
        return reading.octets(Ident.VIN).map(Bytes::hex);
    }

    private void agrees(PackModule module, Optional<Integer> identifier, Optional<String> was, Optional<String> is) {
        Optional<String> said = ledger.values().stream()
                .filter(c ->
                        c.module().equals(module.id()) && c.dataIdentifier().equals(identifier))
                .map(TaskChanges.Change::after)
                .reduce((first, last) -> last);
        String what = module.id() + " " + identifier.map("%04X"::formatted).orElse("software");
        said.ifPresent(value -> assertThat(is).as("the ledger's " + what).contains(value));
        if (said.isEmpty() && was.isPresent())
            assertThat(is).as(what + ", of which the ledger says nothing").isEqualTo(was);
    }
}
