package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.pack.VinLock;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;
import java.util.Optional;

/** New, used or cleaned: whether a part that belonged to another vehicle can become this one's. */
final class PartMustBeFree implements Rule {
    @Override
    public String id() {
        return "part-must-be-free";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Optional<PackModule> part = judged(facts);
        if (part.isEmpty()) return Judgement.notNeeded("No part comes into the vehicle.");
        PackModule module = part.get();
        VinLock lock = module.traits().vinLock();
        if (lock == VinLock.REWRITABLE) return Judgement.notNeeded(lock.words());
        ModuleAnswer answer = facts.oldInPlace() ? ModuleAnswer.SILENT : facts.answer(module.id());
        if (answer.vin().equals(Optional.of(facts.vin().text())))
            return Judgement.notNeeded("It holds this vehicle's VIN.");
        if (answer.answers() && answer.foreign(facts.vin())) return foreign(module, answer);
        if (lock == VinLock.BOUND
                && facts.part().origin().filter(o -> o != PartOrigin.NEW).isPresent())
            return Judgement.blocked(lock.words() + " This " + module.lowerTitle() + " is "
                    + facts.part().origin().get().words()
                    + ": however empty it reads, it is not written. A new one is needed.");
        if (!answer.answers())
            return Judgement.notNeeded(module.title() + " is silent: whether it is free is read when it answers.");
        return empty(facts, lock, answer);
    }

    /** The part that comes in; and one that learns its VIN where it is: nobody says that it was always there. */
    static Optional<PackModule> judged(VehicleFacts facts) {
        return facts.kind() == JobKind.LEARN_VIN ? facts.module() : facts.newPart();
    }

    private static Judgement foreign(PackModule module, ModuleAnswer answer) {
        String held = answer.vin().orElseThrow();
        return Judgement.blocked(
                module.traits().vinLock() == VinLock.CLEANABLE
                        ? "It holds " + held + ". " + module.traits().vinLock().words()
                                + " Send it there, then scan again."
                        : module.title() + " is bound to " + held + " for good: this part can't be used here.");
    }

    private static Judgement empty(VehicleFacts facts, VinLock lock, ModuleAnswer answer) {
        boolean cleanable = lock == VinLock.CLEANABLE;
        boolean sure = facts.part()
                .origin()
                .filter(o -> o == PartOrigin.NEW || cleanable && o == PartOrigin.CLEANED)
                .isPresent();
        if (!sure)
            return Judgement.blocked(
                    answer.vin().isPresent()
                            ? lock.words() + " It reads empty, and nobody said that it is new"
                                    + (cleanable ? " or cleaned." : ".")
                            : lock.words() + " This one is not new, and its VIN was not read.");
        if (answer.vin().isPresent())
            return Judgement.notNeeded(
                    "It holds no other vehicle's VIN" + (cleanable ? "." : "; the first one written stays for good."));
        return Judgement.notNeeded("Its VIN was not read; "
                + (cleanable
                        ? "a new or cleaned part holds none."
                        : "a new part holds none, and the first one stays for good."));
    }

    /** Whether the next VIN that is written stays, so that number and origin must be known before; none is before a swap. */
    static boolean staysForGood(VehicleFacts facts, PackModule module) {
        ModuleAnswer answer = facts.answer(module.id());
        boolean own = answer.vin().equals(Optional.of(facts.vin().text()));
        boolean written = !facts.oldInPlace() && !own && !answer.foreign(facts.vin());
        return module.traits().vinLock() != VinLock.REWRITABLE && written;
    }
}
