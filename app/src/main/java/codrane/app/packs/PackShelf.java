package codrane.app.packs;

import codrane.app.workshop.CodraneSettings;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackProblem;
import codrane.core.pack.PackResult;
import codrane.core.vin.Vin;
import codrane.core.vin.VinRule;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The vehicle packs of this workshop, read at the start. A bad one stops the start with file, line and reason. */
@Component
public class PackShelf {
    private final Map<String, Pack> packs = new TreeMap<>();

    PackShelf(CodraneSettings settings) throws IOException {
        List<Path> yaml;
        try (Stream<Path> files = Files.list(settings.packs())) {
            yaml = files.filter(f -> f.toString().endsWith(".yaml")).sorted().toList();
        }
        // side by side: they take a good part of a start
        List<PackResult> read = yaml.parallelStream().map(PackShelf::read).toList();
        for (PackResult result : read) {
            Pack pack = loaded(result);
            packs.put(pack.id(), pack);
        }
    }

    private static PackResult read(Path file) {
        try {
            return PackLoader.load(file.toString(), Files.readString(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Pack loaded(PackResult result) {
        return switch (result) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid(List<PackProblem> problems) ->
                throw new IllegalStateException(
                        problems.stream().map(PackProblem::sentence).collect(Collectors.joining("\n")));
        };
    }

    public List<Pack> all() {
        return List.copyOf(packs.values());
    }

    /** @throws IllegalArgumentException when the pack is not here any more */
    public Pack get(String id) {
        Pack pack = packs.get(id);
        if (pack == null)
            throw new IllegalArgumentException("pack: " + id + " (expected one of " + packs.keySet() + ")");
        return pack;
    }

    /** The pack whose model the VIN names. */
    public Optional<Pack> of(Vin vin) {
        return packs.values().stream().filter(p -> p.modelOf(vin).isPresent()).findFirst();
    }

    /** What the maker of a typed VIN does with its VINs. */
    public VinRule ruleFor(String typed) {
        String text = typed.strip().toUpperCase(java.util.Locale.ROOT);
        return packs.values().stream()
                .filter(p -> text.startsWith(p.wmi()))
                .map(Pack::vinRule)
                .findFirst()
                .orElse(VinRule.UNKNOWN_MAKER);
    }
}
