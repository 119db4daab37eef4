package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.scale.CodedTyre;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What another tyre does to the speed that is shown. */
final class TyreEffect {
    private TyreEffect() {}

    /** As sentences; none when no tyre is changed. */
    static List<String> of(VehicleFacts facts, List<SettingChange> settings) {
        List<String> sentences = new ArrayList<>();
        for (SettingChange setting : settings)
            for (SettingChange part : setting.parts(facts.pack())) {
                if (!facts.pack().setting(part.block(), part.field()).tyre()) continue;
                Optional<BigDecimal> from = number(facts, part, part.from());
                Optional<BigDecimal> to = number(facts, part, part.to());
                if (from.isPresent() && to.isPresent()) sentences.add(CodedTyre.effect(from.get(), to.get()));
            }
        return sentences;
    }

    private static Optional<BigDecimal> number(VehicleFacts facts, SettingChange part, String value) {
        Layout layout = facts.pack().layouts().get(part.block());
        Optional<Field> field = layout == null ? Optional.empty() : layout.field(part.field());
        return field.flatMap(f -> f.number(value)).filter(n -> n.signum() > 0);
    }
}
