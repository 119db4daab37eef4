package codrane.core.plan;

import java.util.Optional;

/**
 * The module that a job is about, and the part that was put in its place.
 *
 * @param module pack id; empty when the job is about no single module
 * @param state of the new part
 * @param old where the old module is, and whether it speaks
 * @param offered part number on the new part's label; empty when nobody read it
 * @param fitted part number of the old one; empty when nobody knows it, then the pack's counts
 * @param told part number that the new part tells when it is scanned; empty when it was not
 */
public record PartFacts(
        Optional<String> module,
        Optional<PartOrigin> origin,
        Optional<State> state,
        Optional<Old> old,
        String offered,
        String fitted,
        String told) {
    /** The job is about no single module. */
    public static final PartFacts NONE =
            new PartFacts(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), "", "", "");

    /** How far the new part is. */
    public enum State {
        BOXED("still in its box"),
        CONNECTED("plugged in, not mounted"),
        MOUNTED("mounted");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What can be had from the old module. */
    public enum Old {
        READ("was read"),
        OF_ANOTHER("was read, and was not coded for this vehicle"),
        SPEAKS("speaks, and was not read yet"),
        SILENT("does not speak"),
        GONE("is gone");

        private final String words;

        Old(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A module that stays in its place. */
    public static PartFacts of(String module) {
        return new PartFacts(Optional.of(module), Optional.empty(), Optional.empty(), Optional.empty(), "", "", "");
    }

    public PartFacts with(PartOrigin other) {
        return new PartFacts(module, Optional.of(other), state, old, offered, fitted, told);
    }

    public PartFacts with(Old other) {
        return new PartFacts(module, origin, state, Optional.of(other), offered, fitted, told);
    }

    public PartFacts with(State other) {
        return new PartFacts(module, origin, Optional.of(other), old, offered, fitted, told);
    }

    /** @param offered number of the new part */
    public PartFacts withNumbers(String fitted, String offered) {
        return new PartFacts(module, origin, state, old, offered, fitted, told);
    }

    public PartFacts withTold(String number) {
        return new PartFacts(module, origin, state, old, offered, fitted, number);
    }

    /** Whether the old module's coding can still be had, or was. */
    public boolean oldCodingToBeHad() {
        return old.filter(o -> o == Old.READ || o == Old.SPEAKS).isPresent();
    }
}
