package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.pack.Feature;
import codrane.core.pack.SettingRule.OtherSide;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A setting of one side, whose fellow on the other side may be only so far from it. */
final class BothSides {
    private BothSides() {}

    /** @param apart from each other as it is to be; empty when the other side was not read */
    private record Pair(Field here, Field there, String other, OtherSide rule, Optional<BigDecimal> apart) {}

    /** Why the two may not be that far apart, as a sentence. */
    static Optional<String> refused(VehicleFacts facts, SettingChange change) {
        return pair(facts, change)
                .filter(p -> p.apart()
                        .map(apart -> apart.compareTo(p.rule().apart()) > 0)
                        .orElse(false))
                .map(p -> change.title() + ": at " + p.here().worded(number(p.here(), change.to()))
                        + " it would be " + p.here().worded(p.apart().orElseThrow()) + " from "
                        + quoted(p.there()) + ", which is " + p.other() + "; "
                        + p.here().worded(p.rule().apart())
                        + " are allowed. Change the other side with it.");
    }

    /** What stays on the other side, as sentences. */
    static List<String> of(VehicleFacts facts, List<SettingChange> settings) {
        List<String> sentences = new ArrayList<>();
        for (SettingChange setting : settings)
            for (SettingChange part : setting.parts(facts.pack()))
                pair(facts, part)
                        .filter(p ->
                                wished(facts, part.block(), p.there().key()).isEmpty())
                        .ifPresent(p -> sentences.add(sentence(p)));
        return sentences;
    }

    private static String sentence(Pair pair) {
        String most = pair.here().worded(pair.rule().apart()) + " are allowed";
        return pair.apart()
                .map(apart -> quoted(pair.there()) + " stays " + pair.other() + ": "
                        + pair.here().worded(apart) + " apart, " + most + ".")
                .orElseGet(() -> quoted(pair.there()) + " was not read: look at it first, at most "
                        + pair.here().worded(pair.rule().apart()) + " apart are allowed.");
    }

    private static String quoted(Field field) {
        return "\"" + field.title() + "\"";
    }

    private static Optional<Pair> pair(VehicleFacts facts, SettingChange change) {
        Layout layout = facts.pack().layouts().get(change.block());
        Optional<OtherSide> rule =
                facts.pack().setting(change.block(), change.field()).otherSide();
        if (layout == null || rule.isEmpty()) return Optional.empty();
        Optional<Field> here = layout.field(change.field());
        Optional<Field> there = layout.field(rule.get().field());
        if (here.isEmpty() || there.isEmpty() || here.get().number(change.to()).isEmpty()) return Optional.empty();
        Optional<String> other = wished(facts, change.block(), rule.get().field())
                .or(() -> Optional.ofNullable(facts.wishes()
                        .otherSides()
                        .get(new Feature.Setting(change.block(), rule.get().field()))));
        Optional<BigDecimal> value = other.flatMap(there.get()::number);
        return Optional.of(new Pair(
                here.get(),
                there.get(),
                value.map(there.get()::worded).orElse(""),
                rule.get(),
                value.map(v -> v.subtract(number(here.get(), change.to())).abs())));
    }

    private static BigDecimal number(Field field, String value) {
        return field.number(value).orElseThrow();
    }

    private static Optional<String> wished(VehicleFacts facts, String block, String field) {
        return facts.wished().stream()
                .flatMap(s -> s.parts(facts.pack()).stream())
                .filter(s -> s.block().equals(block) && s.field().equals(field))
                .map(SettingChange::to)
                .filter(to -> !to.isEmpty())
                .findFirst();
    }
}
