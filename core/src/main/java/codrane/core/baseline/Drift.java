package codrane.core.baseline;

import codrane.core.baseline.BaselineDiff.Change;
import codrane.core.baseline.BaselineFile.Block;
import codrane.core.baseline.BaselineFile.Module;
import codrane.core.coding.Layout;
import codrane.core.pack.Feature;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Settings that are not any more as they were left, grouped by the feature to which they belong.
 *
 * @param otherSettings layouts that can't be compared field by field, in words
 */
public record Drift(List<Group> groups, List<String> otherSettings) {
    /** @param title of the feature, or of the module for settings that belong to none */
    public record Group(String title, List<Lost> lost) {
        public Group {
            lost = List.copyOf(lost);
        }
    }

    /**
     * One setting.
     *
     * @param was as it was left
     * @param is now
     * @param obstacle why it can't be put back, as a sentence; empty when it can
     * @param note what is to be known about putting it back
     */
    public record Lost(
            PutBack putBack,
            String moduleTitle,
            String fieldTitle,
            String was,
            String is,
            Optional<String> obstacle,
            String note) {
        public boolean possible() {
            return obstacle.isEmpty();
        }
    }

    public Drift {
        groups = List.copyOf(groups);
        otherSettings = List.copyOf(otherSettings);
    }

    public boolean isEmpty() {
        return groups.isEmpty() && otherSettings.isEmpty();
    }

    public List<Lost> all() {
        return groups.stream().flatMap(g -> g.lost().stream()).toList();
    }

    /**
     * @param asLeft how the vehicle was left
     * @param now how it is
     */
    public static Drift of(Pack pack, BaselineFile asLeft, BaselineFile now) {
        Map<String, List<Lost>> byTitle = new LinkedHashMap<>();
        List<String> other = new ArrayList<>();
        for (BaselineDiff.ModuleDiff diff : BaselineDiff.of(asLeft, now).modules()) {
            PackModule module = pack.modules().get(diff.module());
            if (module == null) continue;
            Module was = asLeft.module(diff.module()).orElseThrow();
            Optional<Module> is = now.module(diff.module());
            for (BaselineDiff.BlockDiff block : diff.coding()) {
                Layout layout = pack.layouts().get(block.block());
                if (block.relaid()) continue; // by another software, and every setting as it was left
                if (block.fields().isEmpty() || layout == null || is.isEmpty())
                    other.add(module.title() + ", " + block.block() + ": "
                            + block.bytes().size() + " bytes differ, " + block.unnamed() + ".");
                else
                    for (Change change : block.fields())
                        if (!change.from().equals(BaselineDiff.NOT_THERE)) // what is new was not lost
                        byTitle.computeIfAbsent(title(pack, module, layout, change.what()), t -> new ArrayList<>())
                                    .add(lost(pack, module, layout, change, was, is.get()));
            }
        }
        List<Group> groups = new ArrayList<>();
        byTitle.forEach((title, lost) -> groups.add(new Group(title, lost)));
        return new Drift(groups, other);
    }

    private static String title(Pack pack, PackModule module, Layout layout, String field) {
        return pack.equipment()
                .featureOf(layout.id(), field)
                .map(Feature::title)
                .orElse(module.title());
    }

    private static Lost lost(Pack pack, PackModule module, Layout layout, Change change, Module was, Module is) {
        Block block = is.coding().stream()
                .filter(b -> b.id().equals(layout.id()))
                .findFirst()
                .orElseThrow();
        String before = was.identification().getOrDefault("software", "");
        String after = is.identification().getOrDefault("software", "");
        Layout now = pack.as(Map.of(module.id(), after)).layout(layout.id());
        Optional<String> obstacle = now.encode(Map.of(change.what(), change.from()), block.raw())
                        instanceof Layout.Encoded.Refused(String reason)
                ? Optional.of("The software of now does not take it: " + reason)
                : Optional.empty();
        return new Lost(
                new PutBack(module.id(), layout.id(), change.what(), change.from(), change.to()),
                module.title(),
                layout.field(change.what()).map(f -> f.title()).orElse(change.what()),
                change.from(),
                change.to(),
                obstacle,
                before.equals(after) ? "" : "Software since then: " + before + " → " + after + ".");
    }
}
