package codrane.core.job;

import codrane.core.plan.Workplace;
import java.util.List;
import java.util.Optional;

/**
 * What was noted at arrival.
 *
 * @param oldModule where the replaced module is; empty until somebody said so
 * @param variant which of the pack's variants it is; empty until somebody said so
 */
public record IntakeNotes(Optional<OldModule> oldModule, String variant, Details details) implements Part {
    public static final IntakeNotes NONE = new IntakeNotes(Optional.empty(), "", Details.NONE);

    /**
     * What is typed into the form. Text is empty when nothing was said.
     *
     * @param partState how far the new part is fitted; empty until somebody said so
     * @param earlier what others tried before
     * @param papersVin VIN as the papers have it
     * @param mileage kilometres; empty when not noted
     * @param keysHere keys that are here
     * @param keysAll keys that belong to the vehicle
     * @param ownership what proved the ownership
     * @param hand who works on the vehicle; empty until somebody said so
     */
    public record Details(
            Optional<PartState> partState,
            String earlier,
            String papersVin,
            Optional<Integer> mileage,
            String lights,
            int keysHere,
            int keysAll,
            String ownership,
            List<Identifier> identifiers,
            Optional<Hand> hand) {
        public static final Details NONE =
                new Details(Optional.empty(), "", "", Optional.empty(), "", 0, 0, "", List.of(), Optional.empty());

        public Details {
            identifiers = List.copyOf(identifiers);
        }
    }

    /** Who works on the vehicle, and what that one may do by what the workshop knew when it was said. */
    public record Hand(String name, Workplace.Worker worker) {
        public String words() {
            return name + (worker.trainee() ? ", a trainee: the lead approves what is written" : "");
        }
    }

    /** Where the replaced module is. */
    public enum OldModule {
        STILL_IN("still in the vehicle"),
        OUT("out already");

        private final String words;

        OldModule(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How far the new part is fitted. */
    public enum PartState {
        BOXED("in its box"),
        PLUGGED_IN("plugged in, not mounted"),
        MOUNTED("mounted");

        private final String words;

        PartState(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What a VIN is called that was recovered from a module which does not speak any more. */
    public static final String VIN_IN_OLD_DATA = "VIN in the old module's data";

    /** A number that some tool may ask for, with where it was read. */
    public record Identifier(String what, String value, String source) {}

    public IntakeNotes with(OldModule where) {
        return new IntakeNotes(Optional.of(where), variant, details);
    }

    public IntakeNotes with(List<Identifier> identifiers) {
        Details d = details;
        return new IntakeNotes(
                oldModule,
                variant,
                new Details(
                        d.partState(),
                        d.earlier(),
                        d.papersVin(),
                        d.mileage(),
                        d.lights(),
                        d.keysHere(),
                        d.keysAll(),
                        d.ownership(),
                        identifiers,
                        d.hand()));
    }

    public IntakeNotes withVariant(String named) {
        return new IntakeNotes(oldModule, named, details);
    }

    public boolean stillIn() {
        return oldModule.equals(Optional.of(OldModule.STILL_IN));
    }
}
