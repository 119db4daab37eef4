package codrane.core.baseline;

import codrane.core.baseline.BaselineFile.Block;
import codrane.core.baseline.BaselineFile.Measured;
import codrane.core.baseline.BaselineFile.Module;
import codrane.core.baseline.BaselineFile.StoredFault;
import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What differs between two baselines, at module, identification, field, byte and fault.
 *
 * @param sameVehicle whether both are of one VIN
 * @param modules that differ, in the order of the first baseline
 */
public record BaselineDiff(boolean sameVehicle, List<ModuleDiff> modules) {
    /** What a setting is in a software that does not have it. */
    public static final String NOT_THERE = "not in this software";

    /** How a module is told to be when a baseline does not have it. */
    public static final String ABSENT = "not in this baseline";

    /** @param what is changed: an identification or a field */
    public record Change(String what, String from, String to) {}

    /**
     * @param at octet index from 0
     * @param from 0..255, or -1 past the end
     * @param to 0..255, or -1 past the end
     */
    public record ByteChange(int at, int from, int to) {}

    /**
     * @param fields empty when one of the blocks could not be labelled, or no setting differs
     * @param relaid the settings are as they were, and another software keeps them
     */
    public record BlockDiff(String block, List<ByteChange> bytes, List<Change> fields, boolean relaid) {
        public BlockDiff {
            bytes = List.copyOf(bytes);
            fields = List.copyOf(fields);
        }

        /** Why no setting is named where bytes differ. */
        public String unnamed() {
            return relaid
                    ? "every setting as it was: this software keeps them elsewhere"
                    : "in no setting that the pack knows";
        }
    }

    /** What became of a fault. */
    public enum FaultChange {
        GONE,
        NEW,
        STATUS
    }

    /**
     * @param from status octet before, 0 when it is new
     * @param to status octet after, 0 when it is gone
     */
    public record FaultDiff(String code, String title, FaultChange change, int from, int to) {}

    /**
     * @param presence absent when the module answers as before
     * @param live values that moved: they always do, so that they alone are no difference
     */
    public record ModuleDiff(
            String module,
            Optional<Change> presence,
            List<Change> identification,
            List<BlockDiff> coding,
            List<FaultDiff> faults,
            List<Change> adaptations,
            List<Change> live) {
        public ModuleDiff {
            adaptations = List.copyOf(adaptations);
            live = List.copyOf(live);
            identification = List.copyOf(identification);
            coding = List.copyOf(coding);
            faults = List.copyOf(faults);
        }

        public boolean differs() {
            return presence.isPresent()
                    || !identification.isEmpty()
                    || !coding.isEmpty()
                    || !faults.isEmpty()
                    || !adaptations.isEmpty();
        }
    }

    public BaselineDiff {
        modules = List.copyOf(modules);
    }

    public boolean isEmpty() {
        return sameVehicle && modules.stream().noneMatch(ModuleDiff::differs);
    }

    public static BaselineDiff of(BaselineFile before, BaselineFile after) {
        Set<String> ids = new LinkedHashSet<>();
        before.modules().forEach(m -> ids.add(m.id()));
        after.modules().forEach(m -> ids.add(m.id()));
        List<ModuleDiff> diffs = new ArrayList<>();
        for (String id : ids) {
            ModuleDiff diff = module(id, before.module(id), after.module(id));
            if (diff.differs() || !diff.live().isEmpty()) diffs.add(diff);
        }
        return new BaselineDiff(before.vin().equals(after.vin()), diffs);
    }

    private static ModuleDiff module(String id, Optional<Module> before, Optional<Module> after) {
        String was = before.map(Module::presence).orElse(ABSENT);
        String is = after.map(Module::presence).orElse(ABSENT);
        Optional<Change> presence = was.equals(is) ? Optional.empty() : Optional.of(new Change("presence", was, is));
        if (before.isEmpty() || after.isEmpty())
            return new ModuleDiff(id, presence, List.of(), List.of(), List.of(), List.of(), List.of());
        boolean bothRead = before.get().faultsRead() && after.get().faultsRead();
        return new ModuleDiff(
                id,
                presence,
                texts(before.get().identification(), after.get().identification(), ""),
                blocks(
                        before.get().coding(),
                        after.get().coding(),
                        !software(before.get()).equals(software(after.get()))),
                bothRead ? faults(before.get().faults(), after.get().faults()) : List.of(),
                measured(before.get().adaptations(), after.get().adaptations()),
                measured(before.get().live(), after.get().live()));
    }

    /** Only what both have: what was not read is not different. */
    private static List<Change> measured(List<Measured> before, List<Measured> after) {
        Map<String, Measured> is = new LinkedHashMap<>();
        after.forEach(m -> is.put(m.key(), m));
        List<Change> changes = new ArrayList<>();
        for (Measured was : before) {
            Measured now = is.get(was.key());
            if (now != null && !now.raw().equals(was.raw()))
                changes.add(new Change(was.title(), was.shown(), now.shown()));
        }
        return changes;
    }

    private static List<Change> texts(Map<String, String> before, Map<String, String> after, String none) {
        Set<String> keys = new LinkedHashSet<>(before.keySet());
        keys.addAll(after.keySet());
        List<Change> changes = new ArrayList<>();
        for (String key : keys) {
            String from = before.getOrDefault(key, none);
            String to = after.getOrDefault(key, none);
            if (!from.equals(to)) changes.add(new Change(key, from, to));
        }
        return changes;
    }

    private static String software(Module module) {
        return module.identification().getOrDefault("software", "");
    }

    private static List<BlockDiff> blocks(List<Block> before, List<Block> after, boolean otherSoftware) {
        Map<String, Block> was = new LinkedHashMap<>();
        before.forEach(b -> was.put(b.id(), b));
        Map<String, Block> is = new LinkedHashMap<>();
        after.forEach(b -> is.put(b.id(), b));
        Set<String> ids = new LinkedHashSet<>(was.keySet());
        ids.addAll(is.keySet());
        Block none = new Block("", Bytes.EMPTY, Map.of());
        List<BlockDiff> diffs = new ArrayList<>();
        for (String id : ids) {
            Block one = was.getOrDefault(id, none);
            Block other = is.getOrDefault(id, none);
            if (one.raw().equals(other.raw())) continue;
            boolean labelled = !one.values().isEmpty() && !other.values().isEmpty();
            List<Change> fields = labelled ? texts(one.values(), other.values(), NOT_THERE) : List.of();
            diffs.add(new BlockDiff(
                    id, bytes(one.raw(), other.raw()), fields, labelled && otherSoftware && fields.isEmpty()));
        }
        return diffs;
    }

    private static List<ByteChange> bytes(Bytes before, Bytes after) {
        List<ByteChange> changes = new ArrayList<>();
        for (int at = 0; at < Math.max(before.length(), after.length()); at++) {
            int from = at < before.length() ? before.u8(at) : -1;
            int to = at < after.length() ? after.u8(at) : -1;
            if (from != to) changes.add(new ByteChange(at, from, to));
        }
        return changes;
    }

    private static List<FaultDiff> faults(List<StoredFault> before, List<StoredFault> after) {
        Map<String, StoredFault> was = new LinkedHashMap<>();
        before.forEach(f -> was.put(f.code(), f));
        Map<String, StoredFault> is = new LinkedHashMap<>();
        after.forEach(f -> is.put(f.code(), f));
        List<FaultDiff> diffs = new ArrayList<>();
        for (StoredFault fault : before) {
            StoredFault now = is.get(fault.code());
            if (now == null) {
                diffs.add(new FaultDiff(fault.code(), fault.title(), FaultChange.GONE, fault.status(), 0));
            } else if (now.status() != fault.status()) {
                diffs.add(new FaultDiff(fault.code(), fault.title(), FaultChange.STATUS, fault.status(), now.status()));
            }
        }
        for (StoredFault fault : after) {
            if (!was.containsKey(fault.code()))
                diffs.add(new FaultDiff(fault.code(), fault.title(), FaultChange.NEW, 0, fault.status()));
        }
        return diffs;
    }
}
