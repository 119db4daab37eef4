package codrane.core.planner;

import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.plan.LineInstruction;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An instruction from elsewhere may name bits of which the pack knows nothing: only a lead opens them. */
final class UnexplainedBits {
    private UnexplainedBits() {}

    /** Which bits are changed that no setting explains, as a sentence; empty when every one is. */
    static Optional<String> of(VehicleFacts facts, List<SettingChange> changes) {
        List<String> places = new ArrayList<>();
        for (SettingChange change : changes) if (change.whole()) places.addAll(places(facts, change));
        return places.isEmpty()
                ? Optional.empty()
                : Optional.of(
                        "No setting explains what is changed in " + String.join(", ", places) + ": the lead opens it.");
    }

    private static List<String> places(VehicleFacts facts, SettingChange change) {
        PackModule module = facts.pack().module(change.module());
        Layout layout = facts.pack().layout(change.block());
        Map<Integer, List<String>> bits = new LinkedHashMap<>();
        for (BlockReading.Bit bit :
                BlockReading.unexplained(layout, Bytes.parse(change.from()), Bytes.parse(change.to())))
            bits.computeIfAbsent(bit.octet(), o -> new ArrayList<>()).add(String.valueOf(bit.bit()));
        List<String> places = new ArrayList<>();
        bits.forEach((octet, of) -> places.add(LineInstruction.place(facts.pack(), module, layout.id(), octet)
                + (of.size() == 1 ? ", bit " : ", bits ")
                + String.join(" ", of)));
        return places;
    }
}
