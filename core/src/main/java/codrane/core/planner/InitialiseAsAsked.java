package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.Judgement;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.ServiceWording.Meaning;
import codrane.core.plan.VehicleFacts;
import java.util.Optional;

/** The service information asks for an initialisation, and the pack knows no routine for it: said, not dropped. */
final class InitialiseAsAsked implements Rule {
    @Override
    public String id() {
        return "initialise-as-asked";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        return Judgement.notNeeded(
                byHand(facts).orElse("The service information asks for nothing that the pack has no routine for."));
    }

    /** What is done by the maker's own procedure, as a sentence; empty when there is nothing like that. */
    static Optional<String> byHand(VehicleFacts facts) {
        Optional<PackModule> module = facts.module();
        Optional<String> asked = ServiceWording.of(
                        facts.aids().wording(),
                        facts.pack().equipment().habits().wording())
                .evidence(Meaning.INITIALISE);
        if (module.isEmpty() || asked.isEmpty()) return Optional.empty();
        boolean known = facts.pack().equipment().procedures().values().stream()
                .anyMatch(p -> p.module().equals(module.get().id()) && p.effect() != Effect.ACTUATE);
        return known
                ? Optional.empty()
                : Optional.of(
                        "The service information says \"" + asked.get() + "\", and the pack knows no routine of the "
                                + module.get().lowerTitle() + " for it: by the maker's own procedure.");
    }
}
