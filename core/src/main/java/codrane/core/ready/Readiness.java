package codrane.core.ready;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Everything a plan needs. Nothing is begun before all is here; nothing that costs is offered before power, link,
 * conditions and baseline have passed.
 *
 * @param needs in the order in which they are shown
 * @param earliestStart when everything can be here, if what is missing is asked for now
 */
public record Readiness(List<Need> needs, Instant earliestStart) {

    public Readiness {
        needs = needs.stream().sorted(Comparator.comparing(Need::kind)).toList();
    }

    /** @param zone in which working days are counted */
    public static Readiness of(Plan plan, VehicleFacts facts, AtHand hand, Instant now, ZoneId zone) {
        List<Need> needs = plan.writes().findAny().isPresent() || plan.has(Operation.Kind.SWAP)
                ? new NeedGatherer(plan, facts, hand, now, zone).all()
                : List.of();
        Instant start = needs.stream()
                .map(n -> n.readyAt(now))
                .max(Comparator.naturalOrder())
                .orElse(now);
        return new Readiness(needs, start);
    }

    /** What is prepared; the authorisation has a hold point of its own. */
    public List<Need> prepared() {
        return needs.stream().filter(n -> n.kind() != Need.Kind.AUTHORITY).toList();
    }

    public boolean everythingHere() {
        return missing().isEmpty();
    }

    /** What is to be prepared, and is not here. */
    public List<Need> missing() {
        return prepared().stream().filter(n -> !n.here()).toList();
    }

    /** The one that takes longest: it says when the job can start. */
    public Optional<Need> longest(Instant now) {
        return needs.stream().filter(n -> !n.here()).max(Comparator.comparing(n -> n.readyAt(now)));
    }

    /** What stands before spending anything: hold points that are still open. */
    public static List<HoldPoint> beforeSpending() {
        return List.of(
                HoldPoint.LINK_PROVEN,
                HoldPoint.SUPPLY_HELD,
                HoldPoint.IDENTITY_SETTLED,
                HoldPoint.BASELINE_STORED,
                HoldPoint.PLAN_AGREED,
                HoldPoint.POWER_READY);
    }
}
