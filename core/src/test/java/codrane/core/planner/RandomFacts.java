package codrane.core.planner;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.CodingSource;
import codrane.core.pack.Feature;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.plan.Said;
import codrane.core.plan.School;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.plan.Workplace;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Facts as they may come, contradictory ones included. */
record RandomFacts(Random random, Pack pack) {
    static final Map<String, Vin> VEHICLES = Map.of(
            "brennick-lorne", Cases.LORNE,
            "brennick-almery", Cases.ALMERY,
            "tolvane-chorus", Cases.CHORUS,
            "tolvane-wisp", Cases.WISP,
            "ardwyn-gannet", Cases.GANNET,
            "peregil-dunlin", Cases.DUNLIN);

    VehicleFacts make() {
        JobKind kind = pick(List.of(JobKind.values()));
        Vin vin = VEHICLES.get(pack.id());
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>();
        int odd = pick(List.of(3, 3, 20)); // one module of so many; most vehicles have one at most
        for (PackModule module : pack.modules().values())
            if (random.nextInt(12) > 0) answers.put(module.id(), answer(module, vin, odd));
        boolean learns = kind == JobKind.LEARN_VIN && random.nextBoolean();
        for (PackModule module : pack.modules().values()) // what it is about, else it is hardly ever met
        if (learns && module.traits().learnsVinFrom().isPresent())
                answers.put(
                        module.id(), Cases.answer(Cases.DONOR, module.software().current(), CodingState.AGREES));
        Gateway gateway = pack.hasGateway(vin)
                ? random.nextBoolean() ? new Gateway.Locked() : new Gateway.Authorised(java.time.Instant.EPOCH)
                : new Gateway.None();
        return VehicleFacts.of(kind, pack, vin, answers, gateway)
                .with(part(kind))
                .with(wishes(kind))
                .with(aids())
                .with(policy())
                .with(random.nextBoolean() ? Cases.island() : codrane.core.pack.MarketRules.NONE);
    }

    private <T> T pick(List<T> choices) {
        return choices.get(random.nextInt(choices.size()));
    }

    private <T> Optional<T> perhaps(List<T> choices) {
        return random.nextInt(5) == 0 ? Optional.empty() : Optional.of(pick(choices));
    }

    private ModuleAnswer answer(PackModule module, Vin vin, int odd) {
        if (random.nextInt(odd) > 0)
            return Cases.answer(vin.text(), module.software().current(), CodingState.AGREES);
        Presence presence = pick(List.of(Presence.values()));
        String software = presence == Presence.BOOT_ONLY
                ? ""
                : pick(List.of(
                        "",
                        "0.1",
                        module.software().current(),
                        module.software().needed(),
                        "99.0",
                        "odd"));
        List<Fault> faults = random.nextBoolean()
                ? List.of()
                : List.of(new Fault(module.id(), new FaultCode(random.nextInt(0x1000000)), random.nextInt(256)));
        return new ModuleAnswer(
                presence,
                random.nextInt(3) > 0
                        ? Optional.of(vin.text())
                        : pick(List.of(Optional.empty(), Optional.of(""), Optional.of(Cases.DONOR))),
                software,
                pick(List.of(CodingState.values())),
                faults);
    }

    /** For the kind that few modules can be about, one of them as often as not. */
    private PartFacts part(JobKind kind) {
        List<String> modules = pack.modules().values().stream()
                .filter(m ->
                        kind != JobKind.LEARN_VIN || m.traits().learnsVinFrom().isPresent())
                .filter(m -> kind != JobKind.REPLACE_IMMOBILISER || guards(m))
                .map(PackModule::id)
                .toList();
        return new PartFacts(
                perhaps(modules.isEmpty() ? List.copyOf(pack.modules().keySet()) : modules),
                perhaps(List.of(PartOrigin.values())),
                perhaps(List.of(PartFacts.State.values())),
                perhaps(List.of(PartFacts.Old.values())),
                random.nextInt(4) == 0 ? "BK-67220-B3" : "",
                "",
                random.nextInt(4) == 0 ? "BK-67220-B2" : "");
    }

    private boolean guards(PackModule module) {
        return pack.equipment()
                .immobiliser()
                .filter(i -> i.master().equals(module.id()) || i.members().contains(module.id()))
                .isPresent();
    }

    /** What is wished of the vehicle; beside work of another kind now and then. */
    private Wishes wishes(JobKind kind) {
        if (kind.namesModule() && random.nextInt(3) > 0) return Wishes.NONE;
        List<SettingChange> settings = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            PackModule module = pick(List.copyOf(pack.modules().values()));
            if (module.blocks().isEmpty()) continue;
            settings.add(new SettingChange(
                    module.id(),
                    pick(module.blocks()),
                    "field" + i,
                    "Field " + i,
                    pick(List.of("", "a", "b")),
                    pick(List.of("a", "b")),
                    random.nextInt(6) == 0 ? Optional.of("It can't be.") : Optional.empty()));
        }
        List<String> codes = pack.equipment()
                .order()
                .map(o -> List.copyOf(o.titles().keySet()))
                .orElse(List.of());
        List<String> features =
                pack.equipment().features().stream().map(Feature::id).toList();
        return new Wishes(
                settings,
                wanted(features),
                new Wishes.OrderChange(
                        List.of(),
                        codes.isEmpty() || random.nextBoolean() ? List.of() : List.of(pick(codes)),
                        codes.isEmpty() || random.nextInt(4) == 0 ? List.of() : List.of(pick(codes))));
    }

    /** None, one, or two that may stand against each other. */
    private List<String> wanted(List<String> features) {
        List<String> wanted = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0 && !features.isEmpty(); i--) wanted.add(pick(features));
        return wanted.stream().distinct().toList();
    }

    private Aids aids() {
        Set<CodingSource> sources = new HashSet<>();
        Set<Aids.Settling> settled = new HashSet<>();
        for (CodingSource source : CodingSource.values()) if (random.nextBoolean()) sources.add(source);
        for (Aids.Settling settling : Aids.Settling.values()) if (random.nextInt(4) > 0) settled.add(settling);
        return new Aids(
                sources,
                random.nextInt(3) == 0
                        ? Optional.empty()
                        : Optional.of(new Aids.Keys(random.nextInt(4), random.nextInt(4))),
                pick(List.of("", "Program it.", "Configure it; no programming.", "Initialise the doors.")),
                pick(List.of(Aids.Content.values())),
                settled,
                said(),
                Workplace.UNKNOWN);
    }

    /** Other VINs are explained more often than not, or hardly any plan would write. */
    private Said said() {
        Map<String, Said.Whose> identity = new LinkedHashMap<>();
        Set<String> right = new HashSet<>();
        boolean explained = random.nextInt(5) > 0;
        for (String module : pack.modules().keySet()) {
            if (explained) identity.put(module, Said.Whose.SWAPPED_BEFORE);
            if (random.nextInt(3) > 0) right.add(module);
        }
        return Said.NOTHING.with(identity).withNewerRight(right);
    }

    private Policy policy() {
        Map<School, String> answers = new EnumMap<>(School.class);
        List<Policy.Overrule> overrules = new ArrayList<>();
        for (School school : School.values()) {
            if (random.nextInt(3) == 0) answers.put(school, pick(school.answers()));
            if (random.nextInt(5) == 0)
                overrules.add(new Policy.Overrule(school, pick(school.answers()), "it is so", "lead"));
        }
        return new Policy(answers, overrules);
    }
}
