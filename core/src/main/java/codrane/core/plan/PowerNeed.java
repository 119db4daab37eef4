package codrane.core.plan;

import codrane.core.pack.Pack;
import codrane.core.plan.Operation.Kind;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerWindow;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What a plan asks of the supply. */
public final class PowerNeed {
    /** Done without the unit at the vehicle. */
    private static final Set<Kind> UNSUPPORTED = EnumSet.of(Kind.BATTERY_OFF, Kind.DRIVE, Kind.SWAP);

    private PowerNeed() {}

    /** The highest window that one of the operations needs, by the school. */
    public static PowerWindow of(Pack pack, Policy policy, List<Operation> operations) {
        double upper = PowerWindow.upperLimit(pack.supply().chemistry());
        List<String> programmed = operations.stream()
                .filter(o -> o.kind() == Kind.PROGRAM)
                .map(Operation::module)
                .toList();
        if (programmed.isEmpty())
            return policy.is(School.CODING_VOLTAGE, "held")
                    ? PowerWindow.programming(upper)
                    : PowerWindow.coding(upper);
        boolean demanding = policy.is(School.PROGRAMMING_VOLTAGE, "demanding")
                || programmed.stream().anyMatch(m -> pack.module(m).traits().demanding());
        return demanding ? PowerWindow.demanding(upper) : PowerWindow.programming(upper);
    }

    /**
     * A stretch of the run.
     *
     * @param title what is done meanwhile
     */
    public record Stretch(String title, Load load) {}

    /** What is drawn and for how long, in the order of the plan; asleep stretches draw next to nothing. */
    public static List<Stretch> stretches(Pack pack, List<Operation> operations) {
        List<Stretch> stretches = new ArrayList<>();
        for (Operation operation : operations) {
            if (operation.seconds() < 1 || operation.conditional() || UNSUPPORTED.contains(operation.kind())) continue;
            stretches.add(new Stretch(operation.title(), new Load(operation.seconds(), amperes(pack, operation))));
        }
        return stretches;
    }

    private static double amperes(Pack pack, Operation operation) {
        return switch (operation.kind()) {
            case PROGRAM -> pack.supply().programmingA();
            case SLEEP, DERIVE_CODING, SET_UP -> 0;
            default -> pack.supply().keyOnA();
        };
    }
}
