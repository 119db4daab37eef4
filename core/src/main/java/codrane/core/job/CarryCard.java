package codrane.core.job;

import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.Operation;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is carried to another tool: what is left for it to do, and what must be typed there, each from where it was read.
 * No code of the vehicle is on it.
 *
 * @param left for another tool, in the plan's order
 * @param done of the plan, as it was read back
 * @param values by title, to be typed there
 * @param cautions each as a sentence
 * @param code what a camera reads of it
 */
public record CarryCard(
        List<Left> left, List<String> done, Map<String, String> values, List<String> cautions, String code) {
    /**
     * @param tools any of which does it; empty when nobody said which
     * @param why as a sentence
     */
    public record Left(String title, String tools, String why) {}

    public CarryCard {
        left = List.copyOf(left);
        done = List.copyOf(done);
        values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
        cautions = List.copyOf(cautions);
    }

    /** Absent while nothing of the plan is for another tool. */
    public static Optional<CarryCard> of(JobState state) {
        List<Left> left = left(state);
        if (left.isEmpty()) return Optional.empty();
        Map<String, String> values = values(state);
        return Optional.of(new CarryCard(left, done(state), values, cautions(state), code(state, values)));
    }

    private static List<Left> left(JobState state) {
        List<Left> left = new ArrayList<>();
        for (Operation o : state.writes()) {
            boolean keys = o.kind() == Operation.Kind.ADD_KEY
                    && !RunTasks.keysWith(state).isEmpty();
            if (keys && RunTasks.left(state).contains(o))
                left.add(new Left(
                        o.title(),
                        String.join(" or ", RunTasks.keysWith(state)),
                        "Codrane counts the keys before and after; it can't have them learned on this model."));
            else if (!RunTasks.able(state, o))
                left.add(new Left(o.title(), "", "Codrane plans it, and can't carry it out yet."));
        }
        return left;
    }

    private static List<String> done(JobState state) {
        if (state.run().isEmpty()) return List.of();
        List<Operation> left = RunTasks.left(state);
        return state.writes().stream()
                .filter(o -> !left.contains(o))
                .map(Operation::title)
                .toList();
    }

    private static Map<String, String> values(JobState state) {
        Map<String, String> values = new LinkedHashMap<>();
        values.put("VIN", state.job().vin().text());
        values.put("Model", state.pack().title());
        List<String> order = DerivedCoding.codes(state);
        if (!order.isEmpty()) values.put("Vehicle order", String.join(" ", order));
        state.replaced().ifPresent(module -> {
            values.put("Module", module.title() + ", address %02X".formatted(module.address()));
            state.after()
                    .or(state::before)
                    .map(s -> s.readings().get(module.id()))
                    .ifPresent(r -> read(values, r));
        });
        int known = state.intake().details().keysAll();
        if (known > 0) values.put("Keys", state.intake().details().keysHere() + " here of " + known);
        return values;
    }

    private static void read(Map<String, String> values, ModuleReading reading) {
        for (Ident ident : List.of(Ident.PART, Ident.HARDWARE, Ident.SERIAL, Ident.SOFTWARE))
            reading.text(ident).ifPresent(value -> values.put(ident.title(), value));
    }

    private static List<String> cautions(JobState state) {
        List<String> cautions = new ArrayList<>();
        cautions.add("What another tool reports is not believed: scan again here afterwards.");
        if (!RunTasks.codes(state).isEmpty()
                || state.writes().stream().anyMatch(o -> o.kind() == Operation.Kind.ADD_KEY))
            cautions.add("The access code is not on this card. Who may see it finds it at Prepare, for a reason.");
        Optional<PackModule> module = state.replaced();
        module.ifPresent(m -> cautions.add("Compare the VIN in the other tool before it writes: "
                + m.traits().vinLock().words()));
        return cautions;
    }

    private static String code(JobState state, Map<String, String> values) {
        return "V " + state.job().vin().text() + " J " + state.job().number()
                + Optional.ofNullable(values.get("Vehicle order"))
                        .map(o -> " O " + o)
                        .orElse("");
    }
}
