package codrane.core.pack;

import java.time.Duration;
import java.util.List;

/**
 * A routine that a technician runs.
 *
 * @param routine identifier, 0..0xFFFF
 * @param needs conditions of the vehicle that the module itself checks
 * @param expect what a person sees or hears meanwhile; may be empty
 */
public record Procedure(
        String id,
        String module,
        int routine,
        String title,
        Duration duration,
        List<VehicleCondition> needs,
        Effect effect,
        String expect) {
    /** What it does to the module. */
    public enum Effect {
        /** Learns its surroundings: adaptations and what waits for a relearn. */
        RELEARN,
        /** Finds its zero or its aim again. */
        CALIBRATE,
        /** Moves something and leaves nothing behind. */
        ACTUATE
    }

    public Procedure {
        needs = List.copyOf(needs);
    }
}
