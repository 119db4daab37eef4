package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.VehicleFacts;
import java.util.List;

/** The new part goes in, or to its place, as an act of its own; what it needs then is planned from what it answers. */
final class SwapPart implements Rule {
    private static final String THEN = "Then scan again, and plan again: nothing of the new part is planned before";

    @Override
    public String id() {
        return "swap-part";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.newPart().isEmpty()) return Judgement.notNeeded("No part comes into the vehicle.");
        PackModule module = facts.newPart().get();
        if (facts.oldInPlace()) return swap(facts, module);
        if (facts.unmounted()) return mount(module);
        return Judgement.notNeeded("The new part is in its place.");
    }

    private static Judgement swap(VehicleFacts facts, PackModule module) {
        boolean silent = facts.part()
                .old()
                .filter(o -> o == PartFacts.Old.SILENT || o == PartFacts.Old.GONE)
                .isPresent();
        boolean out = silent || !facts.kind().replaces(); // a retrofit takes nothing out
        String reason = facts.answer(module.id()).answers()
                ? "What answers now is not the new " + module.lowerTitle() + ": nothing of it counts for that."
                : "The new " + module.lowerTitle() + " is not in the vehicle yet.";
        Operation swap = Operation.of(
                        Kind.SWAP,
                        module.id(),
                        (out ? "Put the new " : "Swap the ")
                                + module.lowerTitle()
                                + (out ? " in" : ": the old one out, the new one in"),
                        Seconds.SWAP,
                        reason)
                .needing("the number on the new part's label")
                .prompting(List.of("Key off; battery by the service information", THEN));
        return Judgement.applies(reason, out ? swap : swap.holding(HoldPoint.OLD_MODULE_READ));
    }

    private static Judgement mount(PackModule module) {
        String reason = "It is not mounted: what moves or aims waits for that, and a second proof follows it.";
        return Judgement.applies(
                reason,
                Operation.of(Kind.SWAP, module.id(), "Mount the " + module.lowerTitle(), Seconds.SWAP, reason)
                        .prompting(List.of("Then scan and plan again: its proof is a second one")));
    }
}
