package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Said.Whose;
import codrane.core.plan.VehicleFacts;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Nothing is written while it is in doubt which vehicle this is. */
final class OneVehicle implements Rule {
    @Override
    public String id() {
        return "one-vehicle";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!asks(facts)) return Judgement.notNeeded("Nothing is written, so another VIN is only noted.");
        List<String> strangers = facts.strangers();
        if (strangers.isEmpty()) return Judgement.notNeeded("No other module carries another VIN.");
        if (mostDiffer(facts))
            return Judgement.blocked("Most modules carry another VIN than "
                    + facts.vin().text() + ": this is another vehicle, or its papers are wrong.");
        for (String module : strangers)
            if (facts.aids().said().identity().get(module) == Whose.ANOTHER_VEHICLE)
                return Judgement.blocked(holds(facts, module) + ", and it was said that this is another vehicle.");
        List<String> open = unexplained(facts);
        if (!open.isEmpty())
            return Judgement.blocked(holds(facts, open.getFirst())
                    + ", and nobody said yet whether it was swapped before or this is another vehicle.");
        return Judgement.notNeeded(strangers.stream()
                .map(module -> holds(facts, module) + ": swapped before, as was said.")
                .collect(Collectors.joining(" ")));
    }

    /** Whether the job may come to write. */
    static boolean asks(VehicleFacts facts) {
        boolean nothingChosen = facts.kind() == JobKind.FIND_LOST_SETTING
                && facts.wishes().settings().isEmpty();
        return facts.kind() != JobKind.BASELINE_ONLY && facts.kind() != JobKind.READY_TOOL && !nothingChosen;
    }

    private static boolean mostDiffer(VehicleFacts facts) {
        long agree = facts.answers().values().stream()
                .filter(a -> a.vin().filter(facts.vin().text()::equals).isPresent())
                .count();
        long differ = facts.strangers().stream()
                .filter(module -> facts.answer(module).foreign(facts.vin()))
                .count();
        boolean named = facts.answer(facts.pack().vinReference())
                .vin()
                .equals(Optional.of(facts.vin().text()));
        return !named && differ > 1 && differ > agree;
    }

    /** Modules of which nobody said yet why they carry another VIN. */
    static List<String> unexplained(VehicleFacts facts) {
        return facts.strangers().stream()
                .filter(module -> !facts.aids().said().identity().containsKey(module))
                .toList();
    }

    static String question(VehicleFacts facts, String module) {
        boolean names = module.equals(facts.pack().vinReference());
        return holds(facts, module) + (names ? ", and it names the vehicle" : "")
                + ": was it swapped before, or is this another vehicle?";
    }

    /** For after the module's title. */
    static String held(VehicleFacts facts, String module) {
        String vin = facts.answer(module).vin().orElse("");
        return vin.isEmpty() ? "holds no VIN" : "carries the VIN " + vin;
    }

    private static String holds(VehicleFacts facts, String module) {
        return facts.pack().module(module).title() + " " + held(facts, module);
    }
}
