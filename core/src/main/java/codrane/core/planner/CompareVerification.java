package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What a module calls itself proves nothing: verification number and counter are compared with before and with the file. */
final class CompareVerification implements Rule {
    private static final int SECONDS = 20;

    @Override
    public String id() {
        return "compare-verification";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<Operation> compares = new ArrayList<>();
        for (String module : draft.modulesOf(Set.of(Kind.PROGRAM))) {
            String title = facts.pack().module(module).lowerTitle();
            compares.add(Operation.of(
                    Kind.PROVE,
                    module,
                    "Compare verification number and counter of the " + title + " with before",
                    SECONDS,
                    "The " + title + "'s verification number must be the file's, its counter one more than before."));
        }
        return compares.isEmpty()
                ? Judgement.notNeeded("No software is replaced.")
                : new Judgement.Applies("What was programmed is proved by its numbers.", compares);
    }
}
