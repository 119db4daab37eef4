package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** Packs by name, from the folder that the launcher names. */
final class PackFiles {
    /** More than any pack has. */
    static final long LONGEST = 4L << 20;

    /** Reading one takes half a second: a file that did not change since is read once. */
    private static final Map<Seen, PackResult> READ = new ConcurrentHashMap<>();

    private record Seen(Path file, FileTime changed, long size) {}

    private PackFiles() {}

    private static Path folder() {
        return Path.of(System.getenv().getOrDefault("CODRANE_PACKS", "packs"));
    }

    static Pack named(String name) throws IOException {
        Path file = folder().resolve(name + ".yaml");
        if (!name.matches("[a-z0-9-]{1,60}") || !Files.exists(file))
            throw new UsageException("no pack is called \"" + InputFile.quoted(name) + "\"");
        return switch (read(file)) {
            case PackResult.Loaded(Pack pack) -> pack;
            case PackResult.Invalid invalid ->
                throw new UsageException(invalid.problems().getFirst().sentence());
        };
    }

    private static PackResult read(Path file) throws IOException {
        Seen seen = new Seen(file.toAbsolutePath(), Files.getLastModifiedTime(file), Files.size(file));
        PackResult known = READ.get(seen);
        if (known != null) return known;
        PackResult read = PackLoader.load(file.toString(), InputFile.text(file, LONGEST));
        READ.put(seen, read);
        return read;
    }

    /** @throws UsageException when the pack has no such module, or it can't be programmed */
    static PackModule programmable(Pack pack, String module) {
        if (!pack.modules().containsKey(module))
            throw new UsageException("--module: this pack has no " + InputFile.quoted(module));
        if (pack.module(module).flash().isEmpty())
            throw new UsageException("--module: " + module + " can't be programmed");
        return pack.module(module);
    }

    /** All valid packs; a bad one is passed over, since pack check names what is wrong with it. */
    static List<Pack> valid() throws IOException {
        List<Pack> packs = new ArrayList<>();
        if (!Files.isDirectory(folder())) return packs;
        try (Stream<Path> files = Files.list(folder())) {
            for (Path file :
                    files.filter(f -> f.toString().endsWith(".yaml")).sorted().toList()) {
                valid(file).ifPresent(packs::add);
            }
        }
        return packs;
    }

    private static Optional<Pack> valid(Path file) {
        try {
            return read(file) instanceof PackResult.Loaded(Pack pack) ? Optional.of(pack) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty(); // one that can't be read must not break what is about others
        }
    }

    /** What the law of a market says, from the folder {@code markets} beside the packs; with an empty name the first. */
    static Optional<MarketRules> market(String name) throws IOException {
        Path markets = folder().resolve("markets");
        if (!Files.isDirectory(markets)) return Optional.empty();
        try (Stream<Path> files = Files.list(markets)) {
            Optional<Path> file = files.filter(f -> f.toString().endsWith(".yaml"))
                    .filter(f -> name.isEmpty() || f.getFileName().toString().equals(name + ".yaml"))
                    .sorted()
                    .findFirst();
            if (file.isEmpty()) return Optional.empty();
            return switch (MarketRules.load(file.get().toString(), InputFile.text(file.get(), LONGEST))) {
                case MarketRules.Result.Loaded(MarketRules rules) -> Optional.of(rules);
                case MarketRules.Result.Invalid invalid ->
                    throw new UsageException(invalid.problems().getFirst().sentence());
            };
        }
    }
}
