package codrane.core.vin;

import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Compares the VIN of plate or papers with what each module holds, and says what that means. */
public record VinComparison(Verdict verdict, String sentence, List<Held> held) {
    /** What all the VINs together say. */
    public enum Verdict {
        ALL_AGREE,
        DONOR,
        VEHICLE_DISAGREES,
        MODULE_EMPTY,
        NOTHING_READ
    }

    /** How one module's VIN compares. */
    public enum State {
        AGREES,
        DIFFERS,
        EMPTY,
        NOT_READ
    }

    /**
     * One module's stored VIN.
     *
     * @param stored the octets read, or empty when the module was silent or refused
     */
    public record Stored(String module, String title, Optional<Bytes> stored) {}

    /**
     * @param text the VIN as read, or empty when there is none to show
     * @param differingPositions 1..17
     */
    public record Held(String module, State state, String text, List<Integer> differingPositions) {
        public Held {
            differingPositions = List.copyOf(differingPositions);
        }
    }

    public VinComparison {
        held = List.copyOf(held);
    }

    public static VinComparison of(Vin plate, List<Stored> modules) {
        List<Held> held = modules.stream().map(m -> compare(plate, m)).toList();
        List<String> different = titles(modules, held, State.DIFFERS);
        List<String> empty = titles(modules, held, State.EMPTY);
        long agreeing = held.stream().filter(h -> h.state() == State.AGREES).count();
        if (agreeing + different.size() + empty.size() == 0) {
            return new VinComparison(Verdict.NOTHING_READ, "No module gave a VIN.", held);
        }
        if (different.size() > agreeing) {
            return new VinComparison(
                    Verdict.VEHICLE_DISAGREES,
                    different.size() + " of " + (agreeing + different.size())
                            + " modules disagree with the plate: this may be the wrong vehicle.",
                    held);
        }
        if (!different.isEmpty()) {
            String verb = different.size() == 1 ? " is a donor: it carries" : " are donors: they carry";
            return new VinComparison(
                    Verdict.DONOR,
                    String.join(", ", different) + verb + " the VIN of another vehicle; " + agreeing
                            + " modules agree with the plate.",
                    held);
        }
        if (!empty.isEmpty()) {
            return new VinComparison(Verdict.MODULE_EMPTY, String.join(", ", empty) + " holds no VIN.", held);
        }
        return new VinComparison(
                Verdict.ALL_AGREE, "The plate and all " + agreeing + " modules that hold a VIN agree.", held);
    }

    private static List<String> titles(List<Stored> modules, List<Held> held, State state) {
        List<String> titles = new ArrayList<>();
        for (int i = 0; i < held.size(); i++) {
            if (held.get(i).state() == state) titles.add(modules.get(i).title());
        }
        return titles;
    }

    /** How one module's VIN compares with the plate's. */
    public static Held compare(Vin plate, Stored module) {
        if (module.stored().isEmpty()) return new Held(module.module(), State.NOT_READ, "", List.of());
        Bytes octets = module.stored().get();
        if (octets.isEmpty() || octets.allAre(0xFF) || octets.allAre(0) || octets.allAre(' ')) {
            return new Held(module.module(), State.EMPTY, "", List.of());
        }
        String text = octets.text();
        List<Integer> positions = new ArrayList<>();
        for (int i = 0; i < Math.max(17, text.length()); i++) {
            if (i >= 17 || i >= text.length() || text.charAt(i) != plate.text().charAt(i)) positions.add(i + 1);
        }
        return new Held(module.module(), positions.isEmpty() ? State.AGREES : State.DIFFERS, text, positions);
    }
}
