package codrane.core.job;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** What a fresh scan says against what was planned: done is what is read back. */
final class ReadBack {
    private final JobState state;
    private final Scan after;

    ReadBack(JobState state, Scan after) {
        this.state = state;
        this.after = after;
    }

    /** What is not as planned, as sentences. */
    List<String> troubles() {
        List<String> troubles = new ArrayList<>();
        state.job().replacedModule().ifPresent(id -> troubles.addAll(replaced(id)));
        if (state.job().kind() == JobKind.CLEAR_FAULTS) troubles.addAll(notCleared());
        troubles.addAll(notAsWritten());
        return troubles;
    }

    /** Faults that were stored without being present, and are still there: the clear did nothing, whatever it answered. */
    private List<String> notCleared() {
        List<Fault> then = state.before().map(Scan::faults).orElse(List.of());
        return after.faults().stream()
                .filter(now -> then.stream().anyMatch(was -> !was.present() && was.equals(now)))
                .map(f -> f.code().text() + " in "
                        + state.pack().module(f.module()).lowerTitle() + " was not cleared, whatever was answered.")
                .toList();
    }

    /** Blocks of other modules must read as they were to be written: chosen, derived or put back, and no other bit. */
    private List<String> notAsWritten() {
        if (state.before().isEmpty()) return List.of();
        List<String> troubles = new ArrayList<>();
        for (Operation write : state.operations()) {
            PackModule module = state.pack().modules().get(write.module());
            boolean own = state.job().replacedModule().equals(Optional.of(write.module())); // judged as a whole
            if (module == null || own) continue;
            Map<String, Bytes> wanted = CodingAtHand.of(state, write).orElse(Map.of());
            ModuleReading reading = after.readings().getOrDefault(module.id(), ModuleReading.silent(module.id()));
            for (Layout layout : state.pack().blocksOf(module))
                if (wanted.containsKey(layout.id())
                        && !Objects.equals(
                                wanted.get(layout.id()), reading.coding().get(layout.id())))
                    troubles.add(layout.title() + " is not what was to be written.");
        }
        return troubles;
    }

    private List<String> replaced(String id) {
        List<String> troubles = new ArrayList<>();
        PackModule module = state.pack().module(id);
        AgreementMatrix.Row row = state.matrix(after).rows().stream()
                .filter(r -> r.module().equals(id))
                .findFirst()
                .orElseThrow();
        for (AgreementMatrix.Cell cell : List.of(row.vin(), row.hardware(), row.software(), row.coding())) {
            if (cell.mark() != AgreementMatrix.Mark.AGREES) troubles.add(module.title() + ": " + cell.words() + ".");
        }
        ModuleReading reading = after.readings().getOrDefault(id, ModuleReading.silent(id));
        if (state.planHas(Operation.Kind.PROGRAM)) {
            String software =
                    state.calibration().map(c -> c.manifest().softwareAfter()).orElse("");
            if (!reading.text(Ident.SOFTWARE).orElse("").equals(software))
                troubles.add("It does not report software " + software + ".");
        }
        if (state.planHas(Operation.Kind.WRITE_CODING)) troubles.addAll(codingTroubles(module, reading));
        return troubles;
    }

    private List<String> codingTroubles(PackModule module, ModuleReading reading) {
        Map<String, Bytes> wanted = state.plan().orElseThrow().plan().operations().stream()
                .filter(o -> o.module().equals(module.id()))
                .flatMap(o -> CodingAtHand.of(state, o).stream())
                .findFirst()
                .orElse(Map.of());
        return state.pack().blocksOf(module).stream()
                .filter(layout -> !Objects.equals(
                        wanted.getOrDefault(layout.id(), Bytes.EMPTY),
                        reading.coding().get(layout.id())))
                .map(Layout::title)
                .map(title -> title + " is not what was to be written.")
                .toList();
    }
}
