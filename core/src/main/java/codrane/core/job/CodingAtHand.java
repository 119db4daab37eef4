package codrane.core.job;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Carried;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Where the octets come from that a plan's coding writes. */
public final class CodingAtHand {
    private CodingAtHand() {}

    /** Blocks by layout; empty when Codrane can't tell yet. */
    public static Optional<Map<String, Bytes>> of(JobState state, Operation operation) {
        if (operation.kind() != Operation.Kind.WRITE_CODING) return Optional.empty();
        if (state.job().kind().about() == JobKind.About.SETTINGS)
            return state.before().map(scan -> chosen(state, scan.readings()));
        if (DerivedCoding.planned(state, operation.module())) return derived(state, operation.module());
        return whole(state, operation)
                .map(blocks -> chosen(state, operation.module(), blocks))
                .or(() -> wishedOnly(state, operation)
                        ? held(state, operation.module()).map(held -> changed(state, operation.module(), held))
                        : Optional.empty());
    }

    /** What follows from the order, and what else is wished of the module. */
    private static Optional<Map<String, Bytes>> derived(JobState state, String module) {
        return DerivedCoding.of(state, module).map(derived -> {
            Map<String, Bytes> all = new LinkedHashMap<>(held(state, module).orElse(Map.of()));
            all.putAll(derived);
            Map<String, Bytes> blocks = new LinkedHashMap<>(derived);
            blocks.putAll(changed(state, module, all));
            return blocks;
        });
    }

    /** All of a module's blocks, from the source that the plan says. */
    private static Optional<Map<String, Bytes>> whole(JobState state, Operation operation) {
        if (operation.holds().contains(HoldPoint.SHEET_CHECKED))
            return state.sheet().map(JudgedSheet::blocks);
        if (operation.holds().contains(HoldPoint.OLD_MODULE_READ))
            return Optional.of(state.oldCoding()).filter(blocks -> !blocks.isEmpty());
        if (ReferenceCoding.writes(operation)) return ReferenceCoding.toWrite(state);
        return writesBack(state, operation) ? held(state, operation.module()) : Optional.empty();
    }

    private static Optional<Map<String, Bytes>> held(JobState state, String module) {
        return state.before().map(scan -> scan.readings().get(module)).map(reading -> carried(state, reading));
    }

    /** What a module held, as the software keeps it that is written to; blocks that nobody can read stay out. */
    static Map<String, Bytes> carried(JobState state, ModuleReading reading) {
        return carried(
                state, reading.module(), ModuleReading.software(Map.of(reading.module(), reading)), reading.coding());
    }

    private static Map<String, Bytes> carried(
            JobState state, String module, Map<String, String> software, Map<String, Bytes> blocks) {
        Pack read = state.pack().as(software);
        Map<String, Bytes> carried = new LinkedHashMap<>();
        for (Layout to : state.packWritten().blocksOf(state.pack().module(module))) {
            Bytes block = blocks.get(to.id());
            Layout from = read.layout(to.id());
            if (block == null) continue;
            if (from.equals(to)) carried.put(to.id(), block);
            else if (block.length() == from.length() && read.knows(to.id()))
                carried.put(to.id(), Carried.of(from, block, to).block());
        }
        return carried;
    }

    /** What was read before an erase goes back: the plan has no better source. */
    static boolean writesBack(JobState state, Operation operation) {
        JobKind.About about = state.job().kind().about();
        return (about == JobKind.About.MODULE || about == JobKind.About.PART)
                && fromBaseline(state, operation)
                && erased(state, operation.module());
    }

    /** Nothing of the module is written but what somebody chose, beside the job's own work. */
    static boolean wishedOnly(JobState state, Operation operation) {
        return fromBaseline(state, operation)
                && !erased(state, operation.module())
                && state.putBack().stream().anyMatch(s -> s.module().equals(operation.module()));
    }

    /** What is derived from the order is neither what was read nor a wish, whatever goes along with it. */
    private static boolean fromBaseline(JobState state, Operation operation) {
        return !DerivedCoding.planned(state, operation.module())
                && !state.job().kind().onlyLooks()
                && !ReferenceCoding.writes(operation)
                && operation.holds().contains(HoldPoint.BASELINE_STORED);
    }

    /** Programming erases coding, and so does learning a VIN. */
    private static boolean erased(JobState state, String module) {
        boolean learns = state.pack().module(module).traits().learnsVinFrom().isPresent();
        return state.operations().stream()
                .filter(o -> o.module().equals(module))
                .anyMatch(o -> o.kind() == Operation.Kind.PROGRAM || learns && o.kind() == Operation.Kind.WRITE_VIN);
    }

    /** Blocks with the chosen settings put into what the modules held, by layout. */
    public static Map<String, Bytes> chosen(JobState state, Map<String, ModuleReading> readings) {
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        state.putBack().stream().map(PutBack::module).distinct().forEach(module -> {
            ModuleReading reading = readings.getOrDefault(module, ModuleReading.silent(module));
            blocks.putAll(changed(state, module, carried(state, reading)));
        });
        return blocks;
    }

    /** All blocks of a module, the chosen settings put into them. */
    private static Map<String, Bytes> chosen(JobState state, String module, Map<String, Bytes> held) {
        Map<String, Bytes> blocks = new LinkedHashMap<>(held);
        blocks.putAll(changed(state, module, held));
        return blocks;
    }

    /** Only those blocks in which something was chosen. */
    private static Map<String, Bytes> changed(JobState state, String module, Map<String, Bytes> before) {
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        for (PutBack setting : state.putBack()) {
            if (!setting.module().equals(module)) continue;
            Layout layout = state.packWritten().layout(setting.layout());
            Bytes read = before.getOrDefault(layout.id(), Bytes.EMPTY); // what was not read holds nothing
            Bytes held = blocks.getOrDefault(layout.id(), read);
            if (setting.whole()) blocks.put(layout.id(), Bytes.parse(setting.value()));
            else if (layout.encode(Map.of(setting.field(), setting.value()), held)
                    instanceof Layout.Encoded.Block(Bytes block)) blocks.put(layout.id(), block);
        }
        return blocks;
    }

    /** What was read from the old module last: only when every block of it was made for this vehicle. */
    static Map<String, Bytes> old(JobState state) {
        Optional<String> replaced = state.job().replacedModule();
        Optional<Long> old = state.baselined().last(Purpose.OLD_PART).map(b -> b.id());
        if (old.isEmpty() || replaced.isEmpty()) return Map.of();
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        Optional<BaselineFile.Module> part =
                state.baselined().files().apply(old.get()).module(replaced.get());
        part.ifPresent(module -> module.coding().forEach(block -> blocks.put(block.id(), block.raw())));
        Map<String, String> software = Map.of(
                replaced.get(),
                part.map(module -> module.identification().getOrDefault(Ident.SOFTWARE.key(), ""))
                        .orElse(""));
        Pack read = state.pack().as(software);
        boolean own = read.blocksOf(read.module(replaced.get())).stream()
                .allMatch(layout -> blocks.containsKey(layout.id())
                        && CodingState.ofBlock(
                                        read,
                                        layout,
                                        blocks.get(layout.id()),
                                        state.job().vin())
                                == CodingState.AGREES);
        return own ? carried(state, replaced.get(), software, blocks) : Map.of();
    }
}
