package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.core.job.DerivedCoding;
import codrane.core.job.JobState;
import codrane.core.pack.Equipment.VehicleOrder;
import java.util.List;
import java.util.Optional;

/**
 * The vehicle order, to be typed from the papers.
 *
 * @param typed codes as they were kept; empty while none are
 * @param titles what the kept codes mean
 */
public record OrderTypedView(String typed, List<Code> titles, List<Code> all, boolean may) {
    public record Code(String code, String title) {}

    static Optional<OrderTypedView> of(JobState state, Viewer viewer) {
        if (!DerivedCoding.fromPapers(state)) return Optional.empty();
        VehicleOrder order = state.pack().equipment().order().orElseThrow();
        List<String> codes = state.prepared().typed().order();
        return Optional.of(new OrderTypedView(
                String.join(" ", codes),
                codes.stream()
                        .map(c -> new Code(c, order.titles().getOrDefault(c, "")))
                        .toList(),
                order.titles().entrySet().stream()
                        .map(e -> new Code(e.getKey(), e.getValue()))
                        .toList(),
                viewer.may(state.job().number(), "order-typed") && !state.runHolds()));
    }
}
