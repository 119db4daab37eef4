package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.pack.VinLock;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;

/** New, used or cleaned: whether a part that belonged to another vehicle can become this one's. */
final class PartMustBeFree implements Rule {
    @Override
    public String id() {
        return "part-must-be-free";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        ModuleAnswer answer = facts.moduleAnswer();
        if (module.traits().vinLock() == VinLock.REWRITABLE)
            return Judgement.notNeeded(module.traits().vinLock().words());
        if (!answer.answers())
            return Judgement.notNeeded(module.title() + " is silent: whether it is free is read when it answers.");
        boolean cleanable = module.traits().vinLock() == VinLock.CLEANABLE;
        if (answer.foreign(facts.vin())) {
            String held = answer.vin().orElseThrow();
            return Judgement.blocked(
                    cleanable
                            ? "It holds " + held + ". "
                                    + module.traits().vinLock().words() + " Send it there, then scan again."
                            : module.title() + " is bound to " + held + " for good: this part can't be used here.");
        }
        if (answer.vin().isPresent())
            return Judgement.notNeeded(
                    "It holds no other vehicle's VIN" + (cleanable ? "." : "; the first one written stays for good."));
        boolean sure = facts.part()
                .origin()
                .filter(o -> o == PartOrigin.NEW || cleanable && o == PartOrigin.CLEANED)
                .isPresent();
        return sure
                ? Judgement.notNeeded("Its VIN was not read; "
                        + (cleanable
                                ? "a new or cleaned part holds none."
                                : "a new part holds none, and the first one stays for good."))
                : Judgement.blocked(
                        module.traits().vinLock().words() + " This one is not new, and its VIN was not read.");
    }
}
