package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.coding.LooseBit;
import codrane.core.pack.Places;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** An instruction from elsewhere, or a lead, may name bits of which the pack knows nothing: only a lead opens them. */
final class UnexplainedBits {
    private UnexplainedBits() {}

    /** What is changed of which the pack knows nothing, as sentences: bits without a setting, values that none lists. */
    static List<String> of(VehicleFacts facts, List<SettingChange> changes) {
        Map<String, List<String>> bits = new LinkedHashMap<>();
        List<String> sentences = new ArrayList<>();
        for (SettingChange change : changes)
            for (SettingChange part : change.parts(facts.pack())) {
                Optional<LooseBit> bit = LooseBit.of(part.field());
                if (bit.isPresent())
                    bits.computeIfAbsent(byteOf(facts, part, bit.get()), o -> new ArrayList<>())
                            .add(String.valueOf(bit.get().bit()));
                else if (change.whole() && unlisted(facts, part))
                    sentences.add("\"" + part.title() + "\" would be " + part.to()
                            + ", a value that the pack does not know: the lead opens it.");
            }
        if (bits.isEmpty()) return sentences;
        String places = bits.entrySet().stream()
                .map(b ->
                        b.getKey() + (b.getValue().size() == 1 ? ", bit " : ", bits ") + String.join(" ", b.getValue()))
                .collect(Collectors.joining(", "));
        sentences.addFirst("No setting explains what is changed in " + places + ": the lead opens it.");
        return sentences;
    }

    private static String byteOf(VehicleFacts facts, SettingChange change, LooseBit bit) {
        return Places.of(facts.pack(), facts.pack().module(change.module()), change.block(), bit.octet());
    }

    private static boolean unlisted(VehicleFacts facts, SettingChange change) {
        return facts.pack()
                .layout(change.block())
                .field(change.field())
                .filter(f -> f.kind() == Field.Kind.ENUMERATION)
                .filter(f -> f.rawOf(change.to()).isEmpty())
                .isPresent();
    }
}
