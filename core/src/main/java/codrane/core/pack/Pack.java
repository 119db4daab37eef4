package codrane.core.pack;

import codrane.core.coding.Layout;
import codrane.core.fault.FaultCode;
import codrane.core.vin.VinRule;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * A vehicle model as its pack describes it.
 *
 * @param wmi first three characters of its VINs
 * @param vinReference module whose VIN counts as the vehicle's own
 * @param service name of the maker's service, as in its address
 * @param serviceKey with which the service signs, X.509 form of Ed25519 in Base64
 * @param layouts of the coding, by id: as the newest software keeps it, or as {@link #as} chose
 * @param versions by id, of blocks that not every software keeps alike: the newest first
 */
public record Pack(
        String id,
        int version,
        String title,
        String maker,
        String wmi,
        VinRule vinRule,
        ModelCode model,
        String vinReference,
        String service,
        Optional<String> serviceKey,
        PackLink link,
        Supply supply,
        Equipment equipment,
        Optional<GatewayPolicy> gateway,
        Map<String, PackModule> modules,
        Map<String, Layout> layouts,
        Map<String, List<LayoutVersion>> versions,
        Map<String, String> madeFor,
        Map<Feature.Setting, SettingRule> settings,
        List<FaultText> faults) {
    /**
     * Characters of the VIN that name the model.
     *
     * @param from first position, 1..17
     * @param to last position, inclusive
     * @param variants that share a model's characters, so that a person must say which it is
     */
    public record ModelCode(int from, int to, Map<String, String> models, Map<String, List<String>> variants) {
        public ModelCode {
            models = Map.copyOf(models);
            variants = Map.copyOf(variants);
        }
    }

    /** The battery and what the vehicle draws, in ampere-hours and amperes. */
    public record Supply(String chemistry, double capacityAh, double keyOnA, double programmingA) {}

    /**
     * A secure gateway.
     *
     * @param fromYear first model year with it
     * @param module that is the gateway
     * @param authority that grants passage
     * @param locked what the gateway does with a request that it does not let through
     */
    public record GatewayPolicy(int fromYear, Family family, String module, String authority, Locked locked) {}

    /** How a gateway is authorised. */
    public enum Family {
        /** A signed token, handed over in one routine. */
        TOKEN,
        /** A certificate and the proof that its key is ours (Authentication, 0x29). */
        CERTIFICATE
    }

    /** What a locked gateway answers. */
    public enum Locked {
        REFUSES,
        /** Says that clearing was done, and does nothing: only reading again tells. */
        CLAIMS_DONE
    }

    /**
     * A fault number in words.
     *
     * @param module that stores it
     * @param cause class of its cause
     * @param arises state from which the simulated vehicle raises it
     */
    public record FaultText(String module, FaultCode code, String title, Cause cause, Optional<Condition> arises) {}

    /** Classes of causes. */
    public enum Cause {
        CODING_MISSING("comes from missing or foreign coding, goes when coded"),
        IDENTITY("comes from a part of another vehicle, goes when its identity is written"),
        SOFTWARE("comes from unfitting software, goes when programmed"),
        PROGRAMMING_TRANSIENT("comes from the programming itself, goes by clearing"),
        REAL("a real fault: diagnose it");

        private final String words;

        Cause(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Pack {
        modules = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(modules));
        layouts = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(layouts));
        versions = Map.copyOf(versions);
        madeFor = Map.copyOf(madeFor);
        faults = List.copyOf(faults);
    }

    /** @throws IllegalArgumentException when the pack has no such layout */
    public Layout layout(String layoutId) {
        Layout layout = layouts.get(layoutId);
        if (layout == null)
            throw new IllegalArgumentException("layout: " + layoutId + " (expected one of " + layouts.keySet() + ")");
        return layout;
    }

    /** Whether it is known how the software that was chosen keeps a block. */
    public boolean knows(String layoutId) {
        List<LayoutVersion> all = versions.getOrDefault(layoutId, List.of());
        return all.isEmpty() || all.stream().anyMatch(v -> v.layout().equals(layouts.get(layoutId)));
    }

    /** Which software keeps a block as this one does, in brackets after a blank; empty when every one does. */
    public String keptSoBy(String layoutId, String software) {
        return versions.getOrDefault(layoutId, List.of()).stream()
                .filter(version -> version.fits(software))
                .map(version -> " (kept so by " + version.range() + ")")
                .findFirst()
                .orElse("");
    }

    /** The module that keeps a block; empty when none does. */
    public Optional<PackModule> holder(String layoutId) {
        return modules.values().stream()
                .filter(m -> m.blocks().contains(layoutId))
                .findFirst();
    }

    /** @throws IllegalArgumentException when the pack has no such module */
    public PackModule module(String moduleId) {
        PackModule module = modules.get(moduleId);
        if (module == null)
            throw new IllegalArgumentException("module: " + moduleId + " (expected one of " + modules.keySet() + ")");
        return module;
    }

    /** The same pack with another flash memory in one module, for rehearsals of another size. */
    public Pack withFlash(String moduleId, PackModule.Flash flash) {
        Map<String, PackModule> changed = new LinkedHashMap<>(modules);
        changed.put(moduleId, module(moduleId).withFlash(flash));
        return with(changed, layouts);
    }

    /**
     * The same pack with the layouts that these modules' software keeps. A module that is not named has the newest ones; of
     * software that the pack knows no layout for, the block has no settings.
     *
     * @param software version by module
     */
    public Pack as(Map<String, String> software) {
        if (versions.isEmpty()) return this;
        Map<String, Layout> chosen = new LinkedHashMap<>(layouts);
        for (PackModule module : modules.values())
            for (String block : module.blocks()) {
                List<LayoutVersion> all = versions.getOrDefault(block, List.of());
                if (!all.isEmpty()) chosen.put(block, LayoutVersion.of(all, software.getOrDefault(module.id(), "")));
            }
        return with(modules, chosen);
    }

    private Pack with(Map<String, PackModule> otherModules, Map<String, Layout> otherLayouts) {
        return new Pack(
                id,
                version,
                title,
                maker,
                wmi,
                vinRule,
                model,
                vinReference,
                service,
                serviceKey,
                link,
                supply,
                equipment,
                gateway,
                otherModules,
                otherLayouts,
                versions,
                madeFor,
                settings,
                faults);
    }

    /** What the pack says of a setting. */
    public SettingRule setting(String layout, String field) {
        return settings.getOrDefault(new Feature.Setting(layout, field), SettingRule.NONE);
    }

    /** The model's name for a VIN of this maker, or empty when the pack does not cover it. */
    public Optional<String> modelOf(codrane.core.vin.Vin vin) {
        if (!vin.wmi().equals(wmi)) return Optional.empty();
        String code = vin.text().substring(model.from() - 1, model.to());
        return Optional.ofNullable(model.models().get(code));
    }

    /** Variants between which the VIN does not tell; none when it does. */
    public List<String> variantsOf(codrane.core.vin.Vin vin) {
        return model.variants().getOrDefault(vin.text().substring(model.from() - 1, model.to()), List.of());
    }

    /** Cables that fit vehicles of this VIN's model year, in words. */
    public List<String> cablesOf(codrane.core.vin.Vin vin) {
        List<Integer> years = vin.modelYears(vinRule.firstYear(), vinRule.lastYear());
        return equipment.cables().stream()
                .filter(c -> years.stream().anyMatch(y -> y >= c.fromYear() && y <= c.toYear()))
                .map(Equipment.Cable::title)
                .toList();
    }

    /** Whether vehicles of this VIN's model year have a secure gateway. */
    public boolean hasGateway(codrane.core.vin.Vin vin) {
        List<Integer> years = vin.modelYears(vinRule.firstYear(), vinRule.lastYear());
        return gateway.map(g -> years.stream().anyMatch(year -> year >= g.fromYear()))
                .orElse(false);
    }

    /** Where the key's position can be read. */
    public Equipment.Position key() {
        return Objects.requireNonNull(equipment.sensors().get(Equipment.Sensor.KEY));
    }

    /** Names of data identifiers, for traces: those of all modules. */
    public Map<Integer, String> identifierNames() {
        Map<Integer, String> names = new LinkedHashMap<>();
        for (PackModule module : modules.values()) {
            module.identification().forEach((ident, did) -> names.put(did, ident.title()));
            module.live().forEach(live -> names.put(live.identifier(), live.title()));
            module.adaptations().forEach(adaptation -> names.put(adaptation.identifier(), adaptation.title()));
        }
        layouts.values().forEach(layout -> names.put(layout.dataIdentifier(), layout.title()));
        equipment.sensors().forEach((sensor, at) -> names.put(at.dataIdentifier(), "position"));
        equipment.order().ifPresent(order -> names.put(order.dataIdentifier(), "Vehicle order"));
        equipment.immobiliser().ifPresent(i -> names.put(i.state(), "Immobiliser state"));
        return names;
    }

    public List<Layout> blocksOf(PackModule module) {
        return module.blocks().stream().map(layouts::get).toList();
    }

    public Optional<FaultText> fault(String moduleId, FaultCode code) {
        return faults.stream()
                .filter(f -> f.module().equals(moduleId) && f.code().equals(code))
                .findFirst();
    }

    /** Octets of a module's whole coding, its blocks in pack order. */
    public int codingOctets(PackModule module) {
        return blocksOf(module).stream().mapToInt(Layout::length).sum();
    }
}
