package codrane.core.run;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import codrane.core.uds.UdsResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** What the tasks of one run change in a vehicle, with what was there before: told for a task when it is done and read back. */
public final class TaskChanges {
    private final Pack pack;
    private final List<RunTask> tasks;
    private final Map<String, ModuleReading> before;
    /** What stood in the vehicle just before a write, by the task's index. */
    private final Map<Integer, Bytes> seen = new HashMap<>();

    /** @param before readings from before the first write of the job */
    public TaskChanges(Pack pack, List<RunTask> tasks, Map<String, ModuleReading> before) {
        this.pack = pack;
        this.tasks = List.copyOf(tasks);
        this.before = Map.copyOf(before);
    }

    /**
     * One thing that was changed.
     *
     * @param dataIdentifier empty when software was changed
     * @param before hex, or a software version; empty when it was not known
     * @param software that the module has with it, by which the octets are read; empty when it told none
     */
    public record Change(
            String module,
            String what,
            Optional<Integer> dataIdentifier,
            String before,
            String after,
            String software) {}

    /** What is read just before a write is what was there; when it reads as wanted, nothing is written. */
    public void saw(RunState state, Reply reply) {
        if (state.phase() == RunState.Phase.READ
                && state.task() instanceof RunTask.Write write
                && reply instanceof Reply.Positive positive
                && positive.response() instanceof UdsResponse.ReadDataByIdentifier(int identifier, Bytes found)
                && !found.equals(write.value())) seen.put(state.index(), found);
    }

    /**
     * What a task changed.
     *
     * @param index of a task that is done, and for which something was sent that writes
     * @return empty for a task that changes nothing that stays
     */
    public Optional<Change> of(int index) {
        RunTask task = tasks.get(index);
        ModuleReading was = read(task.module().id());
        return switch (task) {
            case RunTask.Program program ->
                Optional.of(
                        change(task, Optional.empty(), was.text(Ident.SOFTWARE).orElse(""), program.softwareAfter()));
            case RunTask.Write write ->
                Optional.of(change(
                        task,
                        Optional.of(write.dataIdentifier()),
                        seen.getOrDefault(index, held(was, write)).hex(),
                        write.value().hex()));
            case RunTask.LearnVin learn ->
                Optional.of(change(
                        task,
                        Optional.of(learn.module().did(Ident.VIN)),
                        was.octets(Ident.VIN).orElse(Bytes.EMPTY).hex(),
                        learn.vin().hex()));
            case RunTask.Pair pair -> Optional.of(secret(pair, pair.member().id(), 0, 1));
            case RunTask.LearnKey key -> Optional.of(secret(key, key.module().id(), key.number() - 1, key.number()));
            case RunTask.KeysElsewhere keys -> Optional.empty(); // not by this run
            case RunTask.Routine routine -> Optional.empty();
            case RunTask.TurnKey turn -> Optional.empty();
            case RunTask.Restart restart -> Optional.empty();
            case RunTask.Clear clear -> Optional.empty();
        };
    }

    private ModuleReading read(String module) {
        return before.getOrDefault(module, ModuleReading.silent(module));
    }

    /** Of the member: whether it is paired; of the keeper of the secret: how many keys it knows. */
    private static Change secret(RunTask.Secret task, String module, int before, int after) {
        Optional<Integer> state = Optional.of(task.immobiliser().state());
        return new Change(
                module,
                task.title(),
                state,
                Bytes.of(before).hex(),
                Bytes.of(after).hex(),
                "");
    }

    private Change change(RunTask task, Optional<Integer> dataIdentifier, String before, String after) {
        String module = task.module().id();
        return new Change(module, task.title(), dataIdentifier, before, after, software(module));
    }

    /** Of the module as this run leaves it: that of its own programming, else the one that was read. */
    private String software(String module) {
        return tasks.stream()
                .flatMap(task -> task instanceof RunTask.Program program
                                && program.module().id().equals(module)
                        ? Stream.of(program.softwareAfter())
                        : Stream.empty())
                .findFirst()
                .orElseGet(() -> read(module).text(Ident.SOFTWARE).orElse(""));
    }

    private Bytes held(ModuleReading was, RunTask.Write write) {
        if (write.dataIdentifier() == write.module().did(Ident.VIN))
            return was.octets(Ident.VIN).orElse(Bytes.EMPTY);
        return pack.blocksOf(write.module()).stream()
                .filter(layout -> layout.dataIdentifier() == write.dataIdentifier())
                .map(Layout::id)
                .map(id -> was.coding().getOrDefault(id, Bytes.EMPTY))
                .findFirst()
                .orElse(Bytes.EMPTY);
    }
}
