package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Settings that a person chose are written, and no other bit. */
final class ChangeSettings implements Rule {
    @Override
    public String id() {
        return "change-settings";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.wished().isEmpty())
            return Judgement.notNeeded(
                    facts.kind() == JobKind.FIND_LOST_SETTING
                            ? "Nothing was chosen to be put back."
                            : "No setting was chosen.");
        Optional<String> obstacle =
                facts.wished().stream().flatMap(s -> s.obstacle().stream()).findFirst();
        if (obstacle.isPresent()) return Judgement.blocked(obstacle.get());
        List<Operation> operations = operations(facts, facts.wished());
        return operations.isEmpty()
                ? Judgement.notNeeded("What was chosen is there already.")
                : new Judgement.Applies("Only what was chosen is written.", operations);
    }

    /** One operation a module, in the order in which the modules were named. */
    static List<Operation> operations(VehicleFacts facts, List<SettingChange> settings) {
        Map<String, List<SettingChange>> byModule = new LinkedHashMap<>();
        for (SettingChange setting : settings)
            if (!setting.from().equals(setting.to()))
                byModule.computeIfAbsent(setting.module(), m -> new ArrayList<>())
                        .add(setting);
        List<Operation> operations = new ArrayList<>();
        byModule.forEach(
                (module, changes) -> operations.add(write(facts, facts.pack().module(module), changes)));
        boolean together = facts.kind() != JobKind.FIND_LOST_SETTING; // what is put back is each right by itself
        for (int i = 0; together && i < operations.size() - 1; i++)
            operations.set(i, operations.get(i).ifLeftHere("What belongs together is written in part only: go on."));
        return operations;
    }

    private static Operation write(VehicleFacts facts, PackModule module, List<SettingChange> settings) {
        boolean back = facts.kind() == JobKind.FIND_LOST_SETTING;
        long blocks = settings.stream().map(SettingChange::block).distinct().count();
        Operation write = Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        back
                                ? "Put settings of the " + module.lowerTitle() + " back"
                                : "Change " + titles(settings) + " in the " + module.lowerTitle(),
                        (int) blocks * Seconds.PER_BLOCK,
                        settings.stream().flatMap(s -> reasons(facts, s, back)).toArray(String[]::new))
                .needing("key on", "supply at coding voltage")
                .holding(HoldPoint.BASELINE_STORED)
                .prompting(Looks.whileWritten(module));
        if (!back) for (String order : OrderDecides.of(facts, settings)) write = write.because(order);
        if (!back)
            for (String unexplained : UnexplainedBits.of(facts, settings))
                write = write.because(unexplained).holding(HoldPoint.LEAD_APPROVED);
        for (String side : BothSides.of(facts, settings)) write = write.because(side);
        for (String effect : TyreEffect.of(facts, settings)) write = write.because(effect);
        return switch (facts.kind()) {
            case CHANGE_LINE ->
                write.because("The line's other bytes stay; its check byte is computed anew.")
                        .needing("the instruction with its source");
            case SCALED_VALUE -> {
                for (String held : raw(facts, settings)) write = write.because(held);
                yield write;
            }
            case CHOOSE_VARIANT ->
                write.needing("licence, exact to the character")
                        .because("The licence is bound to this VIN at its first use.")
                        .lasting(write.seconds()
                                + facts.pack().equipment().habits().keyCycle().offSeconds())
                        .prompting(List.of(
                                "Volume down first",
                                facts.pack().equipment().habits().keyCycle().words() + ", or the step starts over"));
            default -> write;
        };
    }

    private static String titles(List<SettingChange> settings) {
        return String.join(
                ", ", settings.stream().map(s -> "\"" + s.title() + "\"").toList());
    }

    private static Optional<Field> field(VehicleFacts facts, SettingChange setting) {
        return Optional.ofNullable(facts.pack().layouts().get(setting.block()))
                .flatMap(layout -> layout.field(setting.field()));
    }

    private static String worded(VehicleFacts facts, SettingChange setting, String value) {
        return Optional.ofNullable(facts.pack().layouts().get(setting.block()))
                .map(layout -> layout.worded(setting.field(), value))
                .orElse(value);
    }

    /** The raw value that stands for each, as sentences. */
    private static List<String> raw(VehicleFacts facts, List<SettingChange> settings) {
        return settings.stream()
                .flatMap(s -> field(facts, s).flatMap(f -> f.rawOf(s.to())).stream())
                .map(raw -> "The module holds it exactly, as raw " + raw + ": no nearest value is needed.")
                .toList();
    }

    private static Stream<String> reasons(VehicleFacts facts, SettingChange setting, boolean back) {
        if (!setting.whole()) return Stream.of(reason(facts, setting, back));
        if (back)
            return Stream.of(facts.pack().layout(setting.block()).title()
                    + ": all its bytes, as they were before in this module with this software.");
        return Stream.concat(
                setting.parts(facts.pack()).stream().map(part -> reason(facts, part, false)),
                Stream.of(Places.bytes(facts.pack(), setting.block(), setting.from(), setting.to()) + "."));
    }

    private static String reason(VehicleFacts facts, SettingChange setting, boolean back) {
        String from = setting.from().isEmpty() ? "" : worded(facts, setting, setting.from()) + " → ";
        String to = worded(facts, setting, setting.to());
        String named = facts.pack()
                .setting(setting.block(), setting.field())
                .named(to)
                .map(name -> " (" + name + ")")
                .orElse("");
        return setting.title() + ": " + from + to + named + (back ? ", as it was before." : ".");
    }
}
