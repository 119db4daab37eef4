package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.VehicleCondition;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Few and short, at the act they are about; each defers to the maker's procedure. */
public final class Cautions {
    private static final String CLAMP = "Clamp the support unit at the jump posts, in programming mode";
    /** Lead batteries give off hydrogen while they are charged; LFP gives off none in normal use. */
    private static final String GAS = "; charging gas: no flame, air the room.";

    private static final String RUNNING = "Engine running: only outdoors or with extraction.";
    private static final Set<Kind> MOVES =
            EnumSet.of(Kind.RELEARN, Kind.INITIALISE, Kind.CALIBRATE, Kind.FUNCTION_TEST);

    /** Where somebody works on the part, or is near it: said at the first of them. */
    private static final Set<Kind> WORKED =
            EnumSet.of(Kind.SWAP, Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.FUNCTION_TEST);

    private static final Set<Kind> ROUTINES = EnumSet.of(Kind.RELEARN, Kind.INITIALISE, Kind.CALIBRATE);

    private Cautions() {}

    public static List<String> of(VehicleFacts facts, Operation operation) {
        List<String> cautions = new ArrayList<>();
        if (operation.kind() == Kind.PROGRAM)
            cautions.add(CLAMP + (facts.pack().supply().chemistry().equals("lfp") ? "." : GAS));
        if (runs(facts, operation)) cautions.add(RUNNING);
        for (Concern concern : facts.concerns(operation.module()))
            if (isAbout(concern, operation.kind())) cautions.add(concern.caution());
        return cautions;
    }

    /** Whether a routine of the module wants the engine to run. */
    private static boolean runs(VehicleFacts facts, Operation operation) {
        return ROUTINES.contains(operation.kind())
                && facts.pack().equipment().procedures().values().stream()
                        .filter(p -> p.module().equals(operation.module()))
                        .filter(p -> p.title().equals(operation.title()))
                        .anyMatch(p -> p.needs().contains(VehicleCondition.ENGINE_RUNNING));
    }

    /** Whether the concern is about this act: moving parts hurt while they move, high voltage at every write. */
    private static boolean isAbout(Concern concern, Kind kind) {
        return switch (concern) {
            case MOVING_PARTS -> MOVES.contains(kind);
            case DRIVER_ASSISTANCE, STEERING, BRAKES -> kind == Kind.CALIBRATE || kind == Kind.DRIVE;
            case LIFTING -> kind == Kind.FUNCTION_TEST;
            case IMMOBILISER -> kind == Kind.PAIR || kind == Kind.ADD_KEY;
            case RESTRAINTS, HIGH_VOLTAGE, LICENSED_WORK -> WORKED.contains(kind);
            case EMISSIONS, LIGHTS, DRIVER_VIEW, SPEEDOMETER, INSURANCE -> kind == Kind.WRITE_CODING;
        };
    }
}
