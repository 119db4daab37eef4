package codrane.core.planner;

import codrane.core.pack.CodingSource;
import codrane.core.pack.PackModule;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Workplace;
import codrane.core.scan.CodingState;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where a module's coding can come from, ranked for one job, with what is missing for each. */
public final class CodingSources {
    private CodingSources() {}

    /** Whether a source can be used. */
    public enum State {
        AT_HAND("at hand"),
        TO_GET("to be got"),
        NOT_THERE("not possible here");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param reason why it stands where it stands
     * @param missing what is missing for it; empty when nothing is
     */
    public record Ranked(CodingSource source, State state, String reason, String missing) {}

    /** The surest first. */
    public static List<Ranked> rank(VehicleFacts facts, PackModule module) {
        List<Ranked> ranked = new ArrayList<>();
        for (CodingSource source : CodingSource.values()) ranked.add(judge(facts, module, source));
        return ranked;
    }

    /** The surest that can be used, or the one that a person chose if it can be used. */
    public static Optional<Ranked> chosen(VehicleFacts facts, PackModule module) {
        List<Ranked> possible = rank(facts, module).stream()
                .filter(r -> r.state() != State.NOT_THERE)
                .toList();
        String wished = facts.policy().answer(School.CODING_SOURCE);
        return possible.stream()
                .filter(r -> r.source().key().equals(wished))
                .findFirst()
                .or(() -> possible.stream().findFirst());
    }

    /** Why the source that a person chose is not taken, as a sentence; empty when it is, or none was chosen. */
    public static Optional<String> notPossible(VehicleFacts facts, PackModule module) {
        String wished = facts.policy().answer(School.CODING_SOURCE);
        return rank(facts, module).stream()
                .filter(r -> r.source().key().equals(wished) && r.state() == State.NOT_THERE)
                .map(r -> "Chosen was " + r.source().words() + ", which is not possible: " + r.reason())
                .findFirst();
    }

    /** A sheet that is older than the module's last programming, as a sentence. */
    public static Optional<String> stale(VehicleFacts facts, CodingSource source) {
        Workplace place = facts.aids().place();
        boolean older = place.sheetOf()
                .flatMap(sheet -> place.programmedOn().filter(sheet::isBefore))
                .isPresent();
        return source == CodingSource.LINE_SHEET && older
                ? Optional.of("The sheet is of " + Words.day(place.sheetOf().orElseThrow())
                        + ", and something was programmed on "
                        + Words.day(place.programmedOn().orElseThrow())
                        + ": what was changed since is not in it.")
                : Optional.empty();
    }

    private static Ranked judge(VehicleFacts facts, PackModule module, CodingSource source) {
        boolean offered = source == CodingSource.OLD_MODULE
                || facts.pack().equipment().habits().codingSources().contains(source);
        if (!offered) return not(source, "This maker has none for this model.");
        boolean here = facts.aids().sources().contains(source);
        return switch (source) {
            case OLD_MODULE -> oldModule(facts, here);
            case LINE_SHEET ->
                usable(
                        source,
                        here,
                        "The vehicle as it left the factory: later changes are not in it.",
                        "the line sheet of this VIN");
            case VEHICLE_ORDER -> order(facts, module, here);
            case NEIGHBOUR -> neighbour(facts, module);
            case REFERENCE ->
                usable(
                        source,
                        here,
                        "It is another vehicle's coding: what differs is asked for.",
                        "a baseline of a vehicle of the same model");
        };
    }

    private static Ranked oldModule(VehicleFacts facts, boolean here) {
        if (!facts.kind().replaces()) return not(CodingSource.OLD_MODULE, "Nothing was replaced.");
        PartFacts.Old old = facts.part().old().orElse(PartFacts.Old.GONE);
        if (here || old == PartFacts.Old.READ)
            return usable(CodingSource.OLD_MODULE, true, "Exactly what this vehicle had.", "");
        if (old == PartFacts.Old.SPEAKS)
            return usable(
                    CodingSource.OLD_MODULE,
                    false,
                    "Exactly what this vehicle had.",
                    "reading it, before it is removed");
        return not(CodingSource.OLD_MODULE, "The old module " + old.words() + ".");
    }

    private static Ranked order(VehicleFacts facts, PackModule module, boolean here) {
        boolean follows = facts.pack().equipment().order().stream()
                .anyMatch(o -> o.holders().contains(module.id())
                        || o.follow().values().stream().anyMatch(modules -> modules.contains(module.id()))
                        || o.rules().stream()
                                .anyMatch(rule ->
                                        module.blocks().contains(rule.setting().layout())));
        if (!follows)
            return not(CodingSource.VEHICLE_ORDER, "No code of the vehicle order says anything about this module.");
        return usable(
                CodingSource.VEHICLE_ORDER,
                here,
                "What the vehicle was built with: settings beside the order are lost.",
                "the order, read from a module that keeps it");
    }

    private static Ranked neighbour(VehicleFacts facts, PackModule module) {
        Optional<PackModule> from = module.traits().learnsVinFrom().map(facts.pack()::module);
        if (from.isEmpty()) return not(CodingSource.NEIGHBOUR, "No neighbour keeps a copy of it.");
        ModuleAnswer answer = facts.answer(from.get().id());
        boolean good = answer.answers() && facts.coding(from.get().id()) == CodingState.AGREES;
        return good
                ? usable(
                        CodingSource.NEIGHBOUR,
                        true,
                        "The " + from.get().lowerTitle() + " keeps a copy, and is this vehicle's.",
                        "")
                : not(
                        CodingSource.NEIGHBOUR,
                        "The " + from.get().lowerTitle() + " would keep a copy, but is not coded for this vehicle.");
    }

    private static Ranked usable(CodingSource source, boolean here, String reason, String missing) {
        return new Ranked(source, here ? State.AT_HAND : State.TO_GET, reason, here ? "" : missing);
    }

    private static Ranked not(CodingSource source, String reason) {
        return new Ranked(source, State.NOT_THERE, reason, "");
    }
}
