package codrane.core.plan;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Layout;
import codrane.core.pack.PackModule;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Settings that were lost are written as they were left: those that a person chose, and no other bit. */
final class PutBackLostSettings implements Rule {
    private static final int SECONDS_PER_BLOCK = 3;

    @Override
    public String id() {
        return "put-back-lost-settings";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.kind() != JobKind.FIND_LOST_SETTING)
            return new Judgement.NotNeeded("This job is not about lost settings.");
        if (facts.putBack().isEmpty()) return new Judgement.NotNeeded("Nothing was chosen to be put back.");
        Map<String, List<PutBack>> byModule = new LinkedHashMap<>();
        for (PutBack setting : facts.putBack())
            byModule.computeIfAbsent(setting.module(), m -> new ArrayList<>()).add(setting);
        List<Operation> operations = new ArrayList<>();
        for (Map.Entry<String, List<PutBack>> entry : byModule.entrySet()) {
            PackModule module = facts.pack().module(entry.getKey());
            Optional<String> obstacle = obstacle(facts, entry.getValue());
            if (obstacle.isPresent()) return new Judgement.Blocked(obstacle.get());
            operations.add(write(facts, module, entry.getValue()));
        }
        return new Judgement.Applies("Chosen settings go back as they were left.", operations);
    }

    /** Planned on what the module holds now: another value than the one that was judged is another case. */
    private static Optional<String> obstacle(VehicleFacts facts, List<PutBack> settings) {
        for (PutBack setting : settings) {
            Layout layout = facts.pack().layouts().get(setting.layout());
            ModuleReading reading = facts.readings().get(setting.module());
            var block = Optional.ofNullable(reading).map(r -> r.coding().get(setting.layout()));
            if (block.isEmpty() || block.get().length() != layout.length())
                return Optional.of(layout.title() + " was not read as the pack describes it: scan again.");
            if (!setting.whole()
                    && layout.encode(Map.of(setting.field(), setting.value()), block.get())
                            instanceof Layout.Encoded.Refused(String reason))
                return Optional.of(title(layout, setting) + " can't be put back: " + reason);
            String now = setting.whole()
                    ? block.get().hex()
                    : layout.decode(block.get()).getOrDefault(setting.field(), "");
            if (!now.equals(setting.found()))
                return Optional.of(title(layout, setting) + " is \"" + now + "\", and was \"" + setting.found()
                        + "\" when this was chosen: compare again.");
        }
        return Optional.empty();
    }

    private static Operation write(VehicleFacts facts, PackModule module, List<PutBack> settings) {
        List<String> reasons = settings.stream()
                .map(s -> s.whole()
                        ? facts.pack().layouts().get(s.layout()).title()
                                + ": all its octets, as they were left in this module with this software."
                        : title(facts.pack().layouts().get(s.layout()), s) + ": " + s.found() + " → " + s.value()
                                + ", as it was left.")
                .toList();
        long blocks = settings.stream().map(PutBack::layout).distinct().count();
        return new Operation(
                Operation.Kind.WRITE_CODING,
                module.id(),
                "Put settings of the " + module.lowerTitle() + " back",
                reasons,
                List.of("key on"),
                List.of(HoldPoint.BASELINE_STORED, HoldPoint.WRITES_RELEASED),
                true,
                (int) blocks * SECONDS_PER_BLOCK,
                module.traits().looks());
    }

    private static String title(Layout layout, PutBack setting) {
        if (setting.whole()) return layout.title();
        return layout.field(setting.field()).map(f -> f.title()).orElse(setting.field());
    }
}
