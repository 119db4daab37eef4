package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.pack.Concern;
import codrane.core.pack.SettingRule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.stream.Collectors;

/** A scaled value stays within its limits, and is one that the module can hold. */
final class ValueAllowed implements Rule {
    @Override
    public String id() {
        return "value-allowed";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean back = facts.kind() == JobKind.FIND_LOST_SETTING; // a block as it was left is right as a whole
        for (SettingChange wished : facts.wished())
            for (SettingChange change : wished.parts(facts.pack())) {
                if (back && wished.whole()
                        || change.to().isEmpty()
                        || change.to().equals(change.from())) continue;
                Optional<String> refused = madeFor(facts, change)
                        .or(() -> refused(facts, change))
                        .or(() -> BothSides.refused(facts, change));
                if (refused.isPresent()) return Judgement.blocked(refused.get());
            }
        return Judgement.notNeeded("No wished value is out of its limits.");
    }

    private static Optional<String> madeFor(VehicleFacts facts, SettingChange change) {
        return Optional.ofNullable(facts.pack().madeFor().get(change.block()))
                .filter(change.field()::equals)
                .map(field -> change.title() + ": it says for which vehicle the coding was made, and is no setting.");
    }

    private static Optional<String> refused(VehicleFacts facts, SettingChange change) {
        Layout layout = facts.pack().layouts().get(change.block());
        if (layout == null) return Optional.empty();
        Optional<Field> field = layout.field(change.field()).filter(f -> f.kind() == Field.Kind.SCALED);
        Optional<BigDecimal> wished = field.flatMap(f -> f.number(change.to()));
        if (wished.isEmpty()) return Optional.empty();
        SettingRule rule = facts.pack().setting(change.block(), change.field());
        Optional<BigDecimal> bound = rule.most()
                .filter(most -> wished.get().compareTo(most) > 0)
                .or(() -> rule.least().filter(least -> wished.get().compareTo(least) < 0));
        return bound.map(b -> change.title() + ": " + field.get().worded(wished.get()) + " is "
                + (wished.get().compareTo(b) > 0 ? "more than the " : "less than the ")
                + field.get().worded(b) + " that are allowed" + source(facts, rule) + ". The nearest allowed value is "
                + field.get().worded(b) + ".");
    }

    private static String source(VehicleFacts facts, SettingRule rule) {
        String sources = rule.concerns().stream()
                .flatMap(java.util.Set::stream)
                .filter(c -> c != Concern.MOVING_PARTS)
                .flatMap(c -> facts.law().about(c).stream())
                .map(r -> r.source())
                .collect(Collectors.joining(", "));
        return sources.isEmpty() ? " by the pack" : " (" + sources + ")";
    }
}
