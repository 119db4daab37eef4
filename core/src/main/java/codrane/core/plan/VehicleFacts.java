package codrane.core.plan;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Concern;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.vin.Vin;
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

    /** Titles of modules, for sentences. */
    public String titles(List<String> modules) {
        return String.join(
                ", ", modules.stream().map(m -> pack.module(m).title()).toList());
    }
}
