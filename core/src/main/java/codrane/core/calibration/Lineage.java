package codrane.core.calibration;

import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Which software versions of a module follow each other. Made of what the pack and the manifests say. */
public final class Lineage {
    private static final Comparator<String> BY_AGE =
            Comparator.comparing(Version::parse).thenComparing(Comparator.naturalOrder());

    private final Map<String, Set<String>> after = new TreeMap<>(BY_AGE);

    private Lineage() {}

    /**
     * @param manifests of the module's files; one that replaces any version adds no step
     */
    public static Lineage of(PackModule module, Collection<Manifest> manifests) {
        Lineage lineage = new Lineage();
        List<String> known = module.software().versions();
        for (int i = 0; i < known.size(); i++) {
            lineage.add(known.get(i));
            if (i > 0) lineage.add(known.get(i - 1), known.get(i));
        }
        for (Manifest manifest : manifests) {
            lineage.add(manifest.softwareAfter());
            for (String before : manifest.softwareBefore()) lineage.add(before, manifest.softwareAfter());
        }
        return lineage;
    }

    private void add(String version) {
        after.computeIfAbsent(version, v -> new TreeSet<>(BY_AGE));
    }

    private void add(String before, String next) {
        add(next);
        after.computeIfAbsent(before, v -> new TreeSet<>(BY_AGE)).add(next);
    }

    /** All versions, the oldest first. */
    public List<String> versions() {
        return List.copyOf(after.keySet());
    }

    /** Versions to which a step leads from this one. */
    public List<String> next(String version) {
        return List.copyOf(after.getOrDefault(version, Set.of()));
    }

    public boolean knows(String version) {
        return after.containsKey(version);
    }

    /** The newest version that steps lead to; itself when none does; empty when nobody knows the version. */
    public Optional<String> newestFrom(String version) {
        return knows(version) ? reach(version).stream().max(BY_AGE) : Optional.empty();
    }

    private Set<String> reach(String from) {
        Set<String> reached = new LinkedHashSet<>();
        Deque<String> open = new ArrayDeque<>(List.of(from));
        while (!open.isEmpty()) {
            String version = open.pop();
            if (reached.add(version)) open.addAll(after.getOrDefault(version, Set.of()));
        }
        return reached;
    }

    /** Versions from which more than one step leads on, with these. */
    public Map<String, List<String>> branches() {
        return after.entrySet().stream()
                .filter(step -> step.getValue().size() > 1)
                .collect(Collectors.toMap(
                        Map.Entry::getKey, step -> List.copyOf(step.getValue()), (a, b) -> a, LinkedHashMap::new));
    }

    /** Versions that follow themselves over others: what the maker says can't be true. */
    public List<String> inCycles() {
        return after.keySet().stream()
                .filter(version -> after.getOrDefault(version, Set.of()).stream()
                        .anyMatch(next -> reach(next).contains(version)))
                .toList();
    }
}
