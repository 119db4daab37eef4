package codrane.app.shelf;

import codrane.core.calibration.Lineage;
import codrane.core.calibration.Manifest;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The versions of a module as a row of stones, and what follows from them in words.
 *
 * @param label the picture for those who don't see it
 * @param ways from a version to those that replace it
 * @param says sentences below it
 */
public record LineageView(String label, List<Stone> stones, List<Way> ways, List<String> says) {
    private static final int LEFT = 60;
    private static final int MOST_STEP = 150;
    private static final int WIDTH = 870;

    public record Way(int from, int to) {}

    /**
     * @param here whether a file of it is on the shelf
     * @param held whether the module of the job reports it
     * @param newest whether no step leads on from it
     */
    public record Stone(String version, int x, boolean here, boolean held, boolean newest) {
        public String words() {
            List<String> words = new ArrayList<>();
            if (held) words.add("in the module");
            if (here) words.add("on the shelf");
            if (newest) words.add("newest known");
            return String.join(", ", words);
        }
    }

    /** Of a module with what this workshop has of it; nobody's place is shown. */
    static LineageView of(Pack pack, PackModule module, Collection<Manifest> here) {
        return of(pack, module, here, versions(here), Optional.empty());
    }

    /**
     * @param manifests of files that are known for the module
     * @param here versions on the shelf
     * @param held version that a module reports
     */
    public static LineageView of(
            Pack pack, PackModule module, Collection<Manifest> manifests, Set<String> here, Optional<String> held) {
        Lineage lineage = Lineage.of(module, manifests);
        List<String> says = new ArrayList<>();
        held.ifPresent(version -> says.add(place(module, lineage, version)));
        lineage.branches()
                .forEach((from, to) -> says.add("From " + from + " there is a way to " + String.join(" and to ", to)
                        + ": which, the maker says."));
        if (!lineage.inCycles().isEmpty())
            says.add("Versions that follow themselves: " + String.join(", ", lineage.inCycles())
                    + ". That can't be; ask the maker.");
        says.addAll(dependents(pack, module));
        List<Stone> stones = stones(lineage, here, held);
        String label = stones.stream()
                .map(stone -> stone.version() + (stone.words().isEmpty() ? "" : " (" + stone.words() + ")"))
                .collect(Collectors.joining(", then ", "Software of the " + module.lowerTitle() + ": ", "."));
        return new LineageView(label, stones, ways(lineage, stones), List.copyOf(says));
    }

    private static Set<String> versions(Collection<Manifest> manifests) {
        return manifests.stream().map(Manifest::softwareAfter).collect(Collectors.toSet());
    }

    private static String place(PackModule module, Lineage lineage, String version) {
        Optional<String> newest = lineage.newestFrom(version);
        if (newest.isEmpty())
            return "The " + module.lowerTitle() + " reports " + version
                    + ", which is none of the versions that are known here: altered, another market's, or newer than this pack.";
        return newest.get().equals(version)
                ? "The " + module.lowerTitle() + " has the newest version that is known here."
                : "The " + module.lowerTitle() + " has " + version + "; from it the newest that is known here is "
                        + newest.get() + ".";
    }

    /** Who works only with a certain version of this module, and what this one asks of others. */
    private static List<String> dependents(Pack pack, PackModule module) {
        List<String> says = new ArrayList<>();
        module.software()
                .requires()
                .forEach((other, least) -> says.add(module.software().current() + " works with the "
                        + pack.module(other).lowerTitle() + " at " + least + " or newer."));
        pack.modules().values().stream()
                .filter(other -> other.software().requires().containsKey(module.id()))
                .forEach(other -> says.add(
                        "The " + other.lowerTitle() + " at " + other.software().current() + " needs this one at "
                                + other.software().requires().get(module.id()) + " or newer."));
        return says;
    }

    private static List<Way> ways(Lineage lineage, List<Stone> stones) {
        List<Way> ways = new ArrayList<>();
        for (Stone from : stones)
            for (Stone to : stones)
                if (lineage.next(from.version()).contains(to.version())) ways.add(new Way(from.x(), to.x()));
        return ways;
    }

    private static List<Stone> stones(Lineage lineage, Set<String> here, Optional<String> held) {
        List<String> versions = new ArrayList<>(lineage.versions());
        held.filter(version -> !lineage.knows(version)).ifPresent(versions::add);
        int step = Math.min(MOST_STEP, WIDTH / Math.max(1, versions.size()));
        List<Stone> stones = new ArrayList<>();
        for (int i = 0; i < versions.size(); i++) {
            String version = versions.get(i);
            boolean newest = lineage.newestFrom(version).filter(version::equals).isPresent();
            stones.add(new Stone(
                    version,
                    LEFT + i * step,
                    here.contains(version),
                    held.filter(version::equals).isPresent(),
                    newest));
        }
        return stones;
    }
}
