package codrane.core.pack;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a vehicle has as a whole.
 *
 * @param sensors where positions can be read
 * @param procedures by id
 * @param features settings that belong together
 * @param safety what can hurt whatever is done at this vehicle, in short sentences
 * @param cables that fit its diagnostic socket
 * @param habits of the maker
 * @param asleepAfter with the key off, until the modules fall silent
 */
public record Equipment(
        Map<Sensor, Position> sensors,
        Map<String, Procedure> procedures,
        Optional<VehicleOrder> order,
        Optional<Immobiliser> immobiliser,
        List<Feature> features,
        List<String> safety,
        List<Cable> cables,
        Duration asleepAfter,
        Habits habits) {
    /**
     * What a person moves. The octet read is 0 or 1: off or on, closed or open, drive or park, start released or inhibited;
     * the key also 2: running.
     */
    public enum Sensor {
        KEY,
        DOORS,
        TAILGATE,
        GEAR,
        WINDOWS,
        START
    }

    /**
     * @param fromYear first model year
     * @param toYear last model year
     */
    public record Cable(int fromYear, int toYear, String title) {}

    /** @param dataIdentifier holds one octet */
    public record Position(String module, int dataIdentifier) {}

    /**
     * The list of option codes with which a vehicle was ordered.
     *
     * @param dataIdentifier holds the codes as ASCII, separated by blanks
     * @param holders modules that keep it; the first is asked
     * @param titles of the codes
     * @param factory codes of a vehicle as built
     * @param families codes that are chosen among each other, by their ids in the pack's order
     * @param follow modules that a code is about, by code; the part itself is the last one
     * @param rules how settings follow from the codes, in the order in which they stand
     */
    public record VehicleOrder(
            int dataIdentifier,
            List<String> holders,
            Map<String, String> titles,
            List<String> factory,
            Map<String, Family> families,
            Map<String, List<String>> follow,
            List<OrderRule> rules) {
        public VehicleOrder {
            rules = List.copyOf(rules);
            families = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(families));
            follow = Map.copyOf(follow);
            holders = List.copyOf(holders);
            titles = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(titles));
            factory = List.copyOf(factory);
        }

        /** Octets with room for every code. */
        public int octets() {
            return titles.keySet().stream().mapToInt(code -> code.length() + 1).sum();
        }
    }

    /** How many codes of a family a vehicle has. */
    public enum Take {
        ONE,
        AT_MOST_ONE,
        ANY
    }

    /** @param title what it is about, as people say it */
    public record Family(String id, String title, Take take, List<String> codes) {
        public Family {
            codes = List.copyOf(codes);
        }

        /** Those of its codes of which a vehicle can have only one; none when they get along. */
        public List<String> inEachOthersWay(java.util.Collection<String> order) {
            List<String> there = codes.stream().filter(order::contains).toList();
            return take == Take.ANY || there.size() < 2 ? List.of() : there;
        }

        /** Whether a code of it is missing from an order. */
        public boolean lacking(java.util.Collection<String> order) {
            return take == Take.ONE && codes.stream().noneMatch(order::contains);
        }
    }

    /**
     * Invented; no real maker's immobiliser works like this.
     *
     * @param master module that keeps the secret and the keys
     * @param members modules that must be paired with it
     * @param state data identifier, octets: paired 0 or 1, attempts left, seconds to wait (two), keys learned
     * @param pairRoutine options: address of the member, then the access code and, if asked for, the daily code
     * @param keyRoutine options: the access code; then the key must be turned within the window
     * @param codeDigits of the access code
     * @param dailyCode whether the maker's code of the day is asked for too
     * @param keysWith tools that can learn its keys; empty when Codrane's own interface can
     */
    public record Immobiliser(
            String master,
            List<String> members,
            int state,
            int pairRoutine,
            int keyRoutine,
            int codeDigits,
            Limits limits,
            boolean dailyCode,
            List<String> keysWith) {
        public Immobiliser {
            keysWith = List.copyOf(keysWith);
            members = List.copyOf(members);
        }

        /** Whether a module keeps the secret or must know it. */
        public boolean concerns(String module) {
            return master.equals(module) || members.contains(module);
        }
    }

    /**
     * @param attempts wrong codes until it waits
     * @param lockout until it takes a code again
     * @param window in which the key must be turned
     */
    public record Limits(int attempts, Duration lockout, Duration window) {}

    public Optional<Feature> feature(String id) {
        return features.stream().filter(f -> f.id().equals(id)).findFirst();
    }

    /** Those with these ids, in the pack's order. */
    public List<Feature> features(java.util.Collection<String> ids) {
        return features.stream().filter(f -> ids.contains(f.id())).toList();
    }

    /** Features, each after those that it needs, and each once; in a pack that goes round in circles, too. */
    public List<Feature> withNeeds(List<Feature> wanted) {
        List<Feature> all = new java.util.ArrayList<>();
        java.util.Set<String> seen = new java.util.HashSet<>();
        wanted.forEach(feature -> gather(feature, all, seen));
        return List.copyOf(all);
    }

    private void gather(Feature feature, List<Feature> all, java.util.Set<String> seen) {
        if (!seen.add(feature.id())) return;
        feature.needs().stream().sorted().flatMap(id -> feature(id).stream()).forEach(f -> gather(f, all, seen));
        all.add(feature);
    }

    /** Values that enable features and what they need. */
    public Map<Feature.Setting, String> on(List<Feature> wanted) {
        Map<Feature.Setting, String> values = new LinkedHashMap<>();
        withNeeds(wanted).forEach(f -> values.putAll(f.on()));
        return values;
    }

    /** Other features with which these, or what they need, do not go: whichever of the two says so; in the pack's order. */
    public List<Feature> against(List<Feature> wanted) {
        List<Feature> mine = withNeeds(wanted);
        return features.stream()
                .filter(other -> !mine.contains(other) && mine.stream().anyMatch(f -> excludeEachOther(f, other)))
                .toList();
    }

    /** The first of some features that does not go with another. */
    public Feature against(Feature other, List<Feature> wanted) {
        return wanted.stream()
                .filter(one -> against(List.of(one)).contains(other))
                .findFirst()
                .orElseThrow();
    }

    /** Values of another feature that stay as they are when these are enabled. */
    public Map<Feature.Setting, String> left(Feature other, List<Feature> enabled) {
        Map<Feature.Setting, String> left = new LinkedHashMap<>(other.on());
        left.keySet().removeAll(on(enabled).keySet());
        return left;
    }

    private static boolean excludeEachOther(Feature one, Feature other) {
        return one.excludes().contains(other.id()) || other.excludes().contains(one.id());
    }

    /** The feature to which a setting belongs. */
    public Optional<Feature> featureOf(String layout, String field) {
        Feature.Setting setting = new Feature.Setting(layout, field);
        return features.stream().filter(f -> f.settings().contains(setting)).findFirst();
    }

    public Equipment {
        sensors = Map.copyOf(sensors);
        features = List.copyOf(features);
        safety = List.copyOf(safety);
        cables = List.copyOf(cables);
        procedures = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(procedures));
    }
}
