package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.core.job.DerivedCoding;
import codrane.core.job.JobState;
import codrane.core.order.OrderCoding;
import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.VehicleOrder;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * The vehicle order, to be typed from the papers.
 *
 * @param typed codes as they were kept; empty while none are
 * @param titles what the kept codes mean
 * @param lacking what the codes say nothing about, as a sentence; empty when nothing
 */
public record OrderTypedView(String typed, List<Code> titles, String lacking, List<Code> all, boolean may) {
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
                codes.isEmpty() ? "" : lacking(order, codes),
                order.titles().entrySet().stream()
                        .map(e -> new Code(e.getKey(), e.getValue()))
                        .toList(),
                viewer.may(state.job().number(), "order-typed") && !state.runHolds()));
    }

    private static String lacking(VehicleOrder order, List<String> codes) {
        String families = order.families().values().stream()
                .filter(f -> f.codes().stream().noneMatch(codes::contains))
                .filter(f -> !OrderCoding.about(order, f.codes()).isEmpty())
                .map(Family::title)
                .collect(Collectors.joining(", "));
        return families.isEmpty()
                ? ""
                : "No code was typed of " + families
                        + ": look on the papers again. What they would set comes from elsewhere.";
    }
}
