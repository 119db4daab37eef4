package codrane.core.planner;

import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.PackModule;
import codrane.core.plan.Aids.Keys;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;

/** Keys are learned when their keeper was replaced: every one that the vehicle is known to have must be here. */
final class LearnKeys implements Rule {
    @Override
    public String id() {
        return "learn-keys";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.has(Kind.PAIR)) return Judgement.notNeeded("No key is touched.");
        Immobiliser immobiliser = facts.pack().equipment().immobiliser().orElseThrow();
        PackModule module = facts.module().orElseThrow();
        Keys keys = facts.aids().keys().orElse(new Keys(0, 0));
        if (!immobiliser.master().equals(module.id()))
            return Judgement.notNeeded("The keys stay with the "
                    + facts.pack().module(immobiliser.master()).lowerTitle() + ": each is tried at the end.");
        if (keys.here() == 0) return Judgement.blocked("No key is here: without one the vehicle does not start again.");
        List<Operation> adds = new ArrayList<>();
        long window = immobiliser.limits().window().toSeconds();
        String missing = keys.here() < keys.known()
                ? (keys.known() - keys.here()) + " of " + keys.known() + " keys "
                        + (keys.known() - keys.here() == 1 ? "is" : "are")
                        + " missing: what is not learned now no longer starts the vehicle."
                : keys.known() == 1 ? "The only key is here." : "All " + keys.known() + " keys are here.";
        String others = keyTools(immobiliser);
        adds.add(Operation.of(
                        Kind.ADD_KEY,
                        module.id(),
                        "Learn " + keys.here() + (keys.here() == 1 ? " key" : " keys"),
                        keys.here() * Seconds.PER_KEY,
                        missing)
                .needing("access code", "all keys here", "supply at coding voltage")
                .needing(others.isEmpty() ? new String[0] : new String[] {others})
                .holding(HoldPoint.OWNERSHIP_PROVED, HoldPoint.KEYS_COUNTED)
                .prompting(List.of(
                        "Each key within " + window + " s of the one before; \"failed\" may have worked: try it"))
                .notStoppable());
        return new Judgement.Applies(missing, adds);
    }

    /** Where the workshop's own interface can't do the keys, which tool can. */
    private static String keyTools(Immobiliser immobiliser) {
        return immobiliser.keysWith().isEmpty()
                ? ""
                : String.join(" or ", immobiliser.keysWith())
                        + " for the keys: the interface that codes can't learn them";
    }
}
