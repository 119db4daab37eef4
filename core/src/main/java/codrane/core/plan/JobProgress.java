package codrane.core.plan;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;

/** Where a job stands, computed from its hold points; nothing here is set by a click. */
public final class JobProgress {
    private final Map<HoldPoint, Hold> holds;

    /** State of a hold point. */
    public enum Hold {
        OPEN,
        KEPT,
        WAIVED,
        /** This job does not need it. */
        NOT_NEEDED
    }

    /** State of a stage. */
    public enum StageState {
        DONE,
        NOW,
        LATER
    }

    /** @param holds those missing count as open */
    public JobProgress(Map<HoldPoint, Hold> holds) {
        this.holds = new EnumMap<>(HoldPoint.class);
        for (HoldPoint point : HoldPoint.values()) this.holds.put(point, holds.getOrDefault(point, Hold.OPEN));
    }

    public Hold hold(HoldPoint point) {
        return Objects.requireNonNull(holds.get(point));
    }

    public boolean passed(HoldPoint point) {
        return holds.get(point) != Hold.OPEN;
    }

    /** Hold points of a stage that this job needs. */
    public List<HoldPoint> of(Stage stage) {
        return holds.keySet().stream()
                .filter(p -> p.stage() == stage && holds.get(p) != Hold.NOT_NEEDED)
                .toList();
    }

    /** The first stage whose hold points are not all passed; the last one when all are. */
    public Stage current() {
        return first(this::passed);
    }

    /** Where reading goes on while the gateway is locked: the current stage if that were no matter. */
    public Stage currentUnauthorised() {
        return first(point -> point == HoldPoint.AUTHORISED || passed(point));
    }

    private Stage first(Predicate<HoldPoint> passes) {
        for (Stage stage : Stage.values()) {
            if (!of(stage).stream().allMatch(passes)) return stage;
        }
        return Stage.RECORD;
    }

    public StageState state(Stage stage) {
        int order = stage.compareTo(current());
        return order < 0 ? StageState.DONE : order == 0 ? StageState.NOW : StageState.LATER;
    }

    /** Hold points before the stage that are still open. */
    public List<HoldPoint> openBefore(Stage stage) {
        return holds.keySet().stream()
                .filter(p -> p.stage().compareTo(stage) < 0 && !passed(p))
                .toList();
    }
}
