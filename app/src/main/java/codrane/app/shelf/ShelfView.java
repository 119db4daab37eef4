package codrane.app.shelf;

import codrane.core.calibration.Manifest;
import codrane.core.calibration.ManifestSignature;
import codrane.core.calibration.Shelved;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The shelf, module by module, those with the newest file first.
 *
 * @param mayImport whether who looks may put files there
 */
public record ShelfView(List<Group> groups, boolean mayImport) {
    /**
     * @param lineage empty when the pack is not here any more
     * @param files the newest first
     */
    public record Group(String title, Optional<LineageView> lineage, List<File> files) {}

    /** @param origin who says that it is the maker's */
    public record File(Shelved shelved, String origin) {
        public Manifest manifest() {
            return shelved.manifest();
        }
    }

    static ShelfView of(List<Shelved> newest, Map<String, Pack> packs, boolean mayImport) {
        Map<String, List<Shelved>> byModule = new LinkedHashMap<>();
        for (Shelved shelved : newest) {
            String key = shelved.manifest().pack() + "/" + shelved.manifest().module();
            byModule.computeIfAbsent(key, k -> new ArrayList<>()).add(shelved);
        }
        return new ShelfView(
                byModule.values().stream().map(files -> group(files, packs)).toList(), mayImport);
    }

    private static Group group(List<Shelved> shelved, Map<String, Pack> packs) {
        Manifest first = shelved.getFirst().manifest();
        Optional<Pack> pack = Optional.ofNullable(packs.get(first.pack()));
        Optional<PackModule> module =
                pack.flatMap(p -> Optional.ofNullable(p.modules().get(first.module())));
        List<Manifest> manifests = shelved.stream().map(Shelved::manifest).toList();
        return new Group(
                module.map(m -> pack.get().title() + ", " + m.lowerTitle())
                        .orElse(first.pack() + ", " + first.module() + ": its pack is not here"),
                module.map(m -> LineageView.of(pack.get(), m, manifests)),
                shelved.stream()
                        .map(s -> new File(s, origin(s.manifest(), pack)))
                        .toList());
    }

    private static String origin(Manifest manifest, Optional<Pack> pack) {
        return switch (ManifestSignature.judge(manifest, pack.flatMap(Pack::serviceKey))) {
            case MAKERS -> "signed by " + pack.orElseThrow().maker() + "'s service";
            case MISSING -> "no signature is kept with it";
            case FOREIGN -> "its signature does not fit";
            case NO_KEY -> "no key is here by which to tell";
        };
    }
}
