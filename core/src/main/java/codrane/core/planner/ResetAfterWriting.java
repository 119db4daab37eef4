package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** A module that was programmed, got a VIN or new coding restarts to take it up. */
final class ResetAfterWriting implements Rule {
    private static final Set<Kind> TAKEN_UP_BY_A_RESTART = EnumSet.of(Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING);

    @Override
    public String id() {
        return "reset-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<String> modules = new ArrayList<>(draft.modulesOf(TAKEN_UP_BY_A_RESTART));
        // a setting that is put back or changed by name is taken up when modules sleep: see the rule after this
        boolean settings = !facts.kind().namesModule() && facts.wishes().order().empty();
        if (modules.isEmpty() || settings) return Judgement.notNeeded("No module must restart.");
        List<Operation> resets = new ArrayList<>();
        for (String id : modules) {
            PackModule module = facts.pack().module(id);
            resets.add(Operation.of(
                    Kind.RESET,
                    id,
                    "Restart the " + module.lowerTitle(),
                    Seconds.RESTART,
                    "The " + module.lowerTitle() + " takes up what is new at " + module.its() + " restart."));
        }
        return new Judgement.Applies("New values are taken up after a restart.", resets);
    }
}
