package codrane.core.planner;

import codrane.core.plan.Aids.Settling;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.EnumSet;
import java.util.List;

/** Disconnecting the battery is the last means, when everything gentler was tried and messages stayed. */
final class BatteryOffLast implements Rule {
    @Override
    public String id() {
        return "battery-off-last";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.aids().settled().containsAll(EnumSet.allOf(Settling.class)))
            return Judgement.notNeeded("The battery stays on: sleep, learning and restarts come first.");
        String reason = "Sleep, learning and restarts were tried, and messages stayed.";
        return Judgement.applies(
                reason,
                Operation.of(Kind.BATTERY_OFF, "", "Take the battery off, wait, put it on", Seconds.BATTERY_OFF, reason)
                        .because("Lost by it: clock, window end stops, radio code.")
                        .prompting(List.of("Waiting time and order by the service information")));
    }
}
