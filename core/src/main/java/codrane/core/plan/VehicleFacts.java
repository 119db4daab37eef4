package codrane.core.plan;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Concern;
import codrane.core.pack.Feature;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.CodingState;
import codrane.core.vin.Vin;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is known when a plan is made.
 *
 * @param answers by module id, from the newest scan; a module without one was not asked
 */
public record VehicleFacts(
        JobKind kind,
        Pack pack,
        Vin vin,
        Map<String, ModuleAnswer> answers,
        Gateway gateway,
        PartFacts part,
        Wishes wishes,
        Aids aids,
        Policy policy,
        MarketRules law) {
    public VehicleFacts {
        answers = Collections.unmodifiableMap(new LinkedHashMap<>(answers));
    }

    /**
     * The same, with the pack's layouts as each module's software keeps its coding when it is written.
     *
     * @param programmed modules that get the software of {@link #target} before
     */
    public VehicleFacts programming(Set<String> programmed) {
        Map<String, String> software = new LinkedHashMap<>();
        answers.forEach((module, answer) -> software.put(module, answer.software()));
        for (String module : programmed) software.put(module, target(pack.module(module)));
        return new VehicleFacts(kind, pack.as(software), vin, answers, gateway, part, wishes, aids, policy, law);
    }

    /** Nothing is known but what was scanned. */
    public static VehicleFacts of(
            JobKind kind, Pack pack, Vin vin, Map<String, ModuleAnswer> answers, Gateway gateway) {
        return new VehicleFacts(
                kind,
                pack,
                vin,
                answers,
                gateway,
                PartFacts.NONE,
                Wishes.NONE,
                Aids.NONE,
                Policy.DEFAULT,
                MarketRules.NONE);
    }

    public VehicleFacts with(PartFacts other) {
        return new VehicleFacts(kind, pack, vin, answers, gateway, other, wishes, aids, policy, law);
    }

    public VehicleFacts with(Wishes other) {
        return new VehicleFacts(kind, pack, vin, answers, gateway, part, other, aids, policy, law);
    }

    public VehicleFacts with(Aids other) {
        return new VehicleFacts(kind, pack, vin, answers, gateway, part, wishes, other, policy, law);
    }

    public VehicleFacts with(Policy other) {
        return new VehicleFacts(kind, pack, vin, answers, gateway, part, wishes, aids, other, law);
    }

    public VehicleFacts with(MarketRules other) {
        return new VehicleFacts(kind, pack, vin, answers, gateway, part, wishes, aids, policy, other);
    }

    /** What a module's coding is to this vehicle, as far as anybody can trust what was read. */
    public CodingState coding(String module) {
        ModuleAnswer answer = answer(module);
        if (answer.coding() == CodingState.NONE || !pack.modules().containsKey(module)) return answer.coding();
        if (answer.bootOnly()) return CodingState.NOT_READ; // boot software tells no coding
        boolean marked = pack.module(module).blocks().stream().anyMatch(pack.madeFor()::containsKey);
        boolean own = answer.vin().equals(Optional.of(vin.text()));
        return answer.coding() == CodingState.AGREES && !marked && !own ? CodingState.UNMARKED : answer.coding();
    }

    /** The part that comes into the vehicle: the replaced one, or the one that a retrofit's order ends with. */
    public Optional<PackModule> newPart() {
        if (kind.replaces()) return module();
        if (kind != JobKind.RETROFIT) return Optional.empty();
        return pack.equipment().order().stream()
                .flatMap(order ->
                        wishes.order().in().stream().map(code -> order.follow().getOrDefault(code, List.of())))
                .filter(follow -> !follow.isEmpty())
                .map(follow -> follow.getLast())
                .filter(module -> !module.equals(pack.vinReference()) && !belongs(module))
                .map(pack::module)
                .findFirst();
    }

    /** Whether a module is this vehicle's by all that it says. */
    private boolean belongs(String module) {
        return answer(module).vin().equals(Optional.of(vin.text()))
                && (coding(module) == CodingState.AGREES || coding(module) == CodingState.NONE);
    }

    /** Whether what answers in the part's place is the old module, or nothing: the new one is not in yet. */
    public boolean oldInPlace() {
        boolean boxed = part.state().filter(s -> s == PartFacts.State.BOXED).isPresent();
        boolean speaks = part.old().filter(o -> o == PartFacts.Old.SPEAKS).isPresent();
        return newPart().isPresent() && (boxed || kind.replaces() && speaks);
    }

    /** Plugged in, and not yet where it belongs. */
    public boolean unmounted() {
        return newPart().isPresent()
                && part.state().filter(s -> s == PartFacts.State.CONNECTED).isPresent();
    }

    /** Modules beside the new part that carry another VIN, or, where the vehicle is named, none. */
    public List<String> strangers() {
        List<String> strangers = new ArrayList<>();
        Optional<String> part = newPart().map(PackModule::id);
        answers.forEach((module, answer) -> {
            boolean own = part.equals(Optional.of(module)) || kind == JobKind.LEARN_VIN && learns(module);
            boolean unnamed = module.equals(pack.vinReference())
                    && answer.answers()
                    && !answer.bootOnly()
                    && answer.vin().equals(Optional.of(""));
            if (!own && (answer.foreign(vin) || unnamed)) strangers.add(module);
        });
        return List.copyOf(strangers);
    }

    /** The module that learns its VIN, and the one that tells it: judged where that is planned. */
    private boolean learns(String module) {
        return module().filter(
                        m -> m.id().equals(module) || m.traits().learnsVinFrom().equals(Optional.of(module)))
                .isPresent();
    }

    /** Settings that are changed because somebody chose them: in a job about them, and beside another one. */
    public List<SettingChange> wished() {
        if (kind.onlyLooks()) return List.of();
        if (kind.about() == JobKind.About.SETTINGS) return wishes.settings();
        return wishes.settings().stream()
                .filter(s -> !s.to().isEmpty() && !comesWithEquipment(s))
                .toList();
    }

    private boolean comesWithEquipment(SettingChange change) {
        Feature.Setting setting = new Feature.Setting(change.block(), change.field());
        return wishedFeatures().stream().anyMatch(f -> change.to().equals(f.on().get(setting)));
    }

    /** The equipment that is enabled, after what it needs. */
    public List<Feature> wishedFeatures() {
        return pack.equipment().withNeeds(askedFeatures());
    }

    /** Equipment that is enabled: in a job about it, and beside another one; without what it needs, in the pack's order. */
    public List<Feature> askedFeatures() {
        boolean settings = kind.about() == JobKind.About.SETTINGS;
        return kind.onlyLooks() || settings ? List.of() : pack.equipment().features(wishes.features());
    }

    /** Software that a job leaves in a module: that of the file at hand, else the newest that is known. */
    public String target(PackModule module) {
        boolean own = module().filter(m -> m.id().equals(module.id())).isPresent();
        return own
                ? aids.said().file().orElse(module.software().current())
                : module.software().current();
    }

    /** The module that the job is about. */
    public Optional<PackModule> module() {
        return kind.namesModule() ? part.module().map(pack::module) : Optional.empty();
    }

    /** Answer of the module that the job is about; silent when it was not asked. */
    public ModuleAnswer moduleAnswer() {
        return answer(part.module().orElse(""));
    }

    /** Silent when it was not asked. */
    public ModuleAnswer answer(String module) {
        return answers.getOrDefault(module, ModuleAnswer.SILENT);
    }

    /** What is watched when this module is worked on: what the pack says, and the immobiliser's members. */
    public Set<Concern> concerns(String module) {
        Set<Concern> concerns = EnumSet.noneOf(Concern.class);
        if (!pack.modules().containsKey(module)) return concerns;
        concerns.addAll(pack.module(module).traits().concerns());
        if (inImmobiliser(module)) concerns.add(Concern.IMMOBILISER);
        return concerns;
    }

    /** Whether the module keeps the immobiliser's secret, or must be paired with the one that does. */
    public boolean inImmobiliser(String module) {
        return pack.equipment()
                .immobiliser()
                .filter(i -> i.master().equals(module) || i.members().contains(module))
                .isPresent();
    }

    /** Titles in the middle of a sentence, with the verb that agrees: "the ramp and the climate carry". */
    public String these(List<String> modules, String oneVerb, String manyVerb) {
        List<String> titles =
                modules.stream().map(m -> "the " + pack.module(m).lowerTitle()).toList();
        String words = titles.size() < 2
                ? String.join("", titles)
                : String.join(", ", titles.subList(0, titles.size() - 1)) + " and " + titles.getLast();
        return words + " " + (titles.size() == 1 ? oneVerb : manyVerb);
    }

    /** Titles of modules, for sentences. */
    public String titles(List<String> modules) {
        return String.join(
                ", ", modules.stream().map(m -> pack.module(m).title()).toList());
    }
}
