package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.Aids.Content;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;

/** Who altered one module may have altered more: the programming counters of the others are looked at, too. */
final class CountersElsewhere implements Rule {
    private static final int AS_BUILT = 1;

    @Override
    public String id() {
        return "counters-elsewhere";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean asked = facts.kind() == JobKind.RESTORE_SOFTWARE || facts.aids().content() == Content.ALTERED;
        if (!asked) return Judgement.notNeeded("No software was altered, as far as is known.");
        List<String> often = new ArrayList<>();
        int read = 0;
        for (PackModule module : facts.pack().modules().values()) {
            if (facts.part().module().equals(java.util.Optional.of(module.id()))) continue;
            int counter = facts.answer(module.id()).counter().orElse(-1);
            if (counter >= 0) read++;
            if (counter > AS_BUILT) often.add(module.title() + " " + counter + " times");
        }
        if (read == 0)
            return Judgement.notNeeded(
                    "The programming counters of the other modules were not read: look at them, who altered one may have"
                            + " altered more.");
        return Judgement.notNeeded(
                often.isEmpty()
                        ? "No other module was programmed since it was built, by the counters that were read."
                        : "Programmed since they were built: " + String.join(", ", often)
                                + ". Compare their verification numbers, too.");
    }
}
