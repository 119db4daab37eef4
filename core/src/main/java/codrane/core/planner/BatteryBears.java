package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import java.util.Locale;

/** A weak battery is charged first, and one with a failed cell is replaced. */
final class BatteryBears implements Rule {
    private static final double WEAK_PERCENT = 50;
    private static final double RESTED = 8;
    private static final double ROOM = 20;
    private static final int CHARGE_SECONDS = 3600;

    @Override
    public String id() {
        return "battery-bears";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        double volts = facts.aids().place().batteryVolts().orElse(Double.NaN);
        if (Double.isNaN(volts)) return Judgement.notNeeded("The resting voltage was not said.");
        Chemistry chemistry = Chemistry.of(facts.pack().supply().chemistry()).orElse(Chemistry.FLOODED);
        String is = String.format(Locale.ROOT, "%.2f V at rest is %.0f %%", volts, chemistry.percentAt(volts));
        if (!draft.writes()) return Judgement.notNeeded(is + "; only reading draws on it.");
        double capacity = facts.pack().supply().capacityAh();
        if (new Battery(chemistry, capacity, volts, RESTED, ROOM).failedCell())
            return Judgement.blocked(String.format(
                    Locale.ROOT,
                    "%.2f V at rest is far below empty: a cell has failed. Replace the battery before anything is written.",
                    volts));
        if (chemistry.percentAt(volts) >= WEAK_PERCENT)
            return Judgement.notNeeded(is + ": enough with a support unit.");
        String reason = is + ": a weak battery pulls the voltage down when modules wake.";
        return Judgement.applies(
                reason, Operation.of(Kind.SET_UP, "battery", "Charge the battery first", CHARGE_SECONDS, reason));
    }
}
