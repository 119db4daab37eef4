package codrane.core.access;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an authority knows of the workshop, as it said when it was asked.
 *
 * @param authority name for people
 * @param plan title; empty when none is taken
 * @param planUntil when the plan ends; empty without one
 * @param toolLimit tools that the plan allows; 0 without a plan
 * @param checkedAt when a check that is under way will end
 * @param technicians names as the authority has them
 * @param tools model by serial number
 * @param askedAt when it was asked
 */
public record WorkshopAccount(
        String authority,
        boolean registered,
        boolean mailConfirmed,
        Optional<String> plan,
        Optional<Instant> planUntil,
        int toolLimit,
        Optional<Instant> checkedAt,
        List<String> technicians,
        Map<String, String> tools,
        Instant askedAt) {
    public WorkshopAccount {
        technicians = List.copyOf(technicians);
        tools = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(tools));
    }

    /** The authority does not know the workshop. */
    public static WorkshopAccount none(String authority, Instant askedAt) {
        return new WorkshopAccount(
                authority,
                false,
                false,
                Optional.empty(),
                Optional.empty(),
                0,
                Optional.empty(),
                List.of(),
                Map.of(),
                askedAt);
    }

    /** Whether there is a plan, and it has not ended. */
    public boolean planHolds(Instant now) {
        return plan.isPresent() && planUntil.map(now::isBefore).orElse(true);
    }

    /** Tools that may still be registered. */
    public int toolsLeft() {
        return Math.max(0, toolLimit - tools.size());
    }
}
