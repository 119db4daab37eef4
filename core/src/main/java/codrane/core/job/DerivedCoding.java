package codrane.core.job;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.order.OrderCoding;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.OrderWork;
import codrane.core.planner.WriteOrderBack;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Octets that follow from the vehicle order, as a plan derives them. */
public final class DerivedCoding {
    private DerivedCoding() {}

    static boolean planned(JobState state, String module) {
        return state.operations().stream()
                .anyMatch(o ->
                        o.kind() == Operation.Kind.DERIVE_CODING && o.module().equals(module));
    }

    /** Whether a part was replaced that alone keeps the order: then the papers tell it. */
    public static boolean fromPapers(JobState state) {
        Optional<String> replaced = state.job().replacedModule();
        return state.job().kind().replaces()
                && state.before().isPresent()
                && state.operations().stream()
                        .anyMatch(o -> o.kind() == Operation.Kind.WRITE_ORDER
                                && Optional.of(o.module()).equals(replaced))
                && WriteOrderBack.fromPapers(facts(state), replaced.orElseThrow());
    }

    /** Codes of the order as it is to be; none while it was neither read nor typed. */
    static List<String> codes(JobState state) {
        if (fromPapers(state)) return state.prepared().typed().order();
        List<String> now = state.baselined().orderNow();
        if (now.isEmpty() || state.job().kind().about() != JobKind.About.ORDER) return now;
        DecideNotes notes = state.decided().notes();
        return OrderEffect.of(state.pack(), now, notes.codesOut(), notes.codesIn(), Map.of())
                .codes();
    }

    /** The order as its module keeps it, blanks where no code is. */
    static Bytes order(JobState state, VehicleOrder order) {
        String codes = String.join(" ", codes(state));
        return Bytes.ascii(codes + " ".repeat(Math.max(0, order.octets() - codes.length())));
    }

    /**
     * Blocks by layout: those that change in what the module holds; all of them, as built, when what it holds is not this
     * vehicle's.
     *
     * @return empty when it can't be told
     */
    static Optional<Map<String, Bytes>> of(JobState state, String module) {
        Optional<VehicleOrder> order = state.pack().equipment().order();
        List<String> codes = codes(state);
        if (order.isEmpty() || codes.isEmpty() || state.before().isEmpty() || !planned(state, module))
            return Optional.empty();
        Map<Setting, String> values = OrderCoding.derive(order.get(), codes);
        Pack pack = state.packWritten();
        PackModule holder = pack.module(module);
        ModuleReading reading = state.before().get().readings().getOrDefault(module, ModuleReading.silent(module));
        boolean own = state.job().kind().about() == JobKind.About.ORDER
                && !OrderWork.of(facts(state), order.get()).whole().contains(module);
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        for (Layout layout : pack.blocksOf(holder)) {
            Bytes base = own
                    ? CodingAtHand.carried(state, reading).getOrDefault(layout.id(), Bytes.EMPTY)
                    : Bytes.filled(layout.length(), 0);
            Layout.Encoded encoded = layout.encode(values(state, layout, values, own), base);
            if (!(encoded instanceof Layout.Encoded.Block(Bytes block))) return Optional.empty();
            if (!own || !block.equals(base)) blocks.put(layout.id(), block);
        }
        return Optional.of(blocks);
    }

    /** As the planner judges them, so that what is written is what the plan says. */
    private static VehicleFacts facts(JobState state) {
        return state.once(
                "facts of derived coding", s -> s.vehicleFacts(s.before().orElseThrow()));
    }

    private static Map<String, String> values(
            JobState state, Layout layout, Map<Setting, String> derived, boolean own) {
        Map<String, String> values = new LinkedHashMap<>(own ? Map.of() : layout.factory());
        Optional.ofNullable(state.pack().madeFor().get(layout.id()))
                .filter(key -> !own)
                .ifPresent(key -> values.put(key, state.job().vin().end()));
        derived.forEach((setting, value) -> {
            boolean there = setting.layout().equals(layout.id())
                    && layout.field(setting.field()).isPresent(); // an older software has not all of them
            if (there) values.put(setting.field(), value);
        });
        return values;
    }

    /** Titles of modules whose derived coding can't be told. */
    static List<String> untold(JobState state) {
        List<String> untold = new ArrayList<>();
        for (Operation operation : state.operations())
            if (operation.kind() == Operation.Kind.DERIVE_CODING
                    && of(state, operation.module()).isEmpty())
                untold.add(state.pack().module(operation.module()).title());
        return untold;
    }
}
