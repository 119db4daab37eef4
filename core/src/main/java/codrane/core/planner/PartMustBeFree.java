package codrane.core.planner;

import codrane.core.pack.PackModule;
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
        String held = answer.vin().orElse("");
        return switch (module.traits().vinLock()) {
            case REWRITABLE -> Judgement.notNeeded(module.traits().vinLock().words());
            case CLEANABLE ->
                answer.foreign(facts.vin())
                        ? Judgement.blocked("It holds " + held + ". "
                                + module.traits().vinLock().words() + " Send it there, then scan again.")
                        : Judgement.notNeeded("It holds no other vehicle's VIN.");
            case BOUND -> {
                if (answer.foreign(facts.vin()))
                    yield Judgement.blocked(
                            module.title() + " is bound to " + held + " for good: this part can't be used here.");
                boolean used =
                        facts.part().origin().filter(o -> o != PartOrigin.NEW).isPresent();
                boolean unread = answer.vin().isEmpty();
                yield used && unread
                        ? Judgement.blocked(
                                module.traits().vinLock().words() + " This one is not new, and its VIN was not read.")
                        : Judgement.notNeeded("It holds no other vehicle's VIN; the first one written stays for good.");
            }
        };
    }
}
