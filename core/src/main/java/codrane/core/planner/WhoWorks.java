package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.PackModule;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Workplace.Worker;
import java.util.Optional;

/** What who works may do: a trainee not alone, licensed and high-voltage work only with the qualification. */
final class WhoWorks implements Rule {
    @Override
    public String id() {
        return "who-works";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Optional<Worker> worker = facts.aids().place().worker();
        if (worker.isEmpty()) return Judgement.notNeeded("Who works was not said.");
        if (!draft.writes() && facts.newPart().isEmpty()) return Judgement.notNeeded("Whoever works may read.");
        var touched = Touched.concerns(facts);
        if (touched.contains(Concern.LICENSED_WORK) && !worker.get().licensed())
            return Judgement.blocked(title(facts)
                    + " is licensed work, and who works has no licence for it: somebody who" + " has one does it.");
        boolean opened =
                touched.contains(Concern.HIGH_VOLTAGE) && facts.newPart().isPresent();
        if (opened && !worker.get().highVoltage())
            return Judgement.blocked(title(facts)
                    + " is on high voltage, and who works is not qualified for it: isolation and swap are for somebody"
                    + " who is.");
        return Judgement.notNeeded(
                leadStays(facts)
                        ? "A trainee does not write alone: the lead approves each write."
                        : "Who works may do this.");
    }

    private static String title(VehicleFacts facts) {
        return facts.newPart().or(facts::module).map(PackModule::title).orElse("This");
    }

    /** Whether the lead must approve because of who works. */
    static boolean leadStays(VehicleFacts facts) {
        return facts.aids().place().worker().filter(Worker::trainee).isPresent();
    }
}
