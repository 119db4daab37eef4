package codrane.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

/**
 * One thing that the plan does.
 *
 * @param module pack id, or empty when the whole vehicle is meant
 * @param needs what must be there first, in words
 * @param seconds expected, from the pack
 * @param prompts what the technician does or sees, in words
 * @param cautions what can hurt
 * @param ifLeftHere what it means to stop after it and before the next, as a sentence; empty when it is harmless
 * @param onlyIf when it is done at all, as words after "only if"; empty when it is always done
 */
public record Operation(
        Kind kind,
        String module,
        String title,
        List<String> reasons,
        List<String> needs,
        List<HoldPoint> holds,
        boolean safeToStopDuring,
        int seconds,
        List<String> prompts,
        List<String> cautions,
        String ifLeftHere,
        String onlyIf) {
    /** Kinds in the order in which a plan has them. */
    public enum Kind {
        SET_UP(false),
        SCAN(false),
        READ_CODING(false),
        BASELINE(false),
        UNLOCK(false),
        PROGRAM(true),
        WRITE_VIN(true),
        WRITE_ORDER(true),
        DERIVE_CODING(false),
        WRITE_CODING(true),
        RESET(true),
        PAIR(true),
        ADD_KEY(true),
        SLEEP(false),
        RELEARN(true),
        INITIALISE(true),
        /** What a module had learned of the vehicle is written back. */
        WRITE_LEARNED(true),
        BATTERY_OFF(false),
        CALIBRATE(true),
        CLEAR(true),
        PROVE(false),
        FUNCTION_TEST(false),
        DRIVE(false),
        /** A baseline of how the vehicle is left. */
        AS_LEFT(false),
        /** A part is put in, or mounted; then it is scanned and planned again. */
        SWAP(false);

        private final boolean writes;

        Kind(boolean writes) {
            this.writes = writes;
        }

        /** Whether it changes anything in the vehicle. */
        public boolean writes() {
            return writes;
        }

        /**
         * As in JSON and forms: lower case with dashes. A baseline is one, before and after; learned values are
         * initialised by a routine or by writing them.
         */
        public String key() {
            return switch (this) {
                case AS_LEFT -> BASELINE.key();
                case WRITE_LEARNED -> INITIALISE.key();
                default -> dashed();
            };
        }

        private String dashed() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public Operation {
        reasons = List.copyOf(reasons);
        needs = List.copyOf(needs);
        holds = List.copyOf(holds);
        prompts = List.copyOf(prompts);
        // plans that were stored before there were cautions have none
        cautions = cautions == null ? List.of() : List.copyOf(cautions);
        ifLeftHere = Objects.requireNonNullElse(ifLeftHere, "");
        onlyIf = Objects.requireNonNullElse(onlyIf, "");
    }

    /** A beginning, to which the withers below add. */
    public static Operation of(Kind kind, String module, String title, int seconds, String... reasons) {
        return new Operation(
                kind,
                module,
                title,
                List.of(reasons),
                List.of(),
                List.of(),
                true,
                seconds,
                List.of(),
                List.of(),
                "",
                "");
    }

    /** The same act, done for another one's reasons, too. */
    public Operation with(Operation other) {
        Operation both = this;
        for (String reason : other.reasons()) both = both.because(reason);
        return both.prompting(other.prompts());
    }

    public Operation because(String reason) {
        return with(and(reasons, List.of(reason)), needs, holds, prompts, cautions);
    }

    public Operation needing(String... more) {
        return with(reasons, and(needs, List.of(more)), holds, prompts, cautions);
    }

    public Operation holding(HoldPoint... more) {
        return with(reasons, needs, and(holds, List.of(more)), prompts, cautions);
    }

    public Operation prompting(List<String> more) {
        return with(reasons, needs, holds, and(prompts, more), cautions);
    }

    public Operation warning(List<String> more) {
        return with(reasons, needs, holds, prompts, and(cautions, more));
    }

    public Operation notStoppable() {
        return with(false, seconds, ifLeftHere, onlyIf);
    }

    public Operation ifLeftHere(String sentence) {
        return with(safeToStopDuring, seconds, sentence, onlyIf);
    }

    /** Done only on a condition, which is not known when the plan is made. */
    public Operation onlyIf(String condition) {
        return with(safeToStopDuring, seconds, ifLeftHere, condition);
    }

    /** With other expected seconds. */
    public Operation lasting(int other) {
        return with(safeToStopDuring, other, ifLeftHere, onlyIf);
    }

    public Operation withReasons(List<String> other) {
        return with(other, needs, holds, prompts, cautions);
    }

    /** Without prompts and cautions that stand elsewhere. */
    public Operation saying(List<String> someOfThem, List<String> someCautions) {
        return with(reasons, needs, holds, someOfThem, someCautions);
    }

    public boolean conditional() {
        return !onlyIf.isEmpty();
    }

    private Operation with(boolean safe, int lasting, String left, String condition) {
        return new Operation(
                kind, module, title, reasons, needs, holds, safe, lasting, prompts, cautions, left, condition);
    }

    private Operation with(
            List<String> reasons,
            List<String> needs,
            List<HoldPoint> holds,
            List<String> prompts,
            List<String> cautions) {
        return new Operation(
                kind,
                module,
                title,
                reasons,
                needs,
                holds,
                safeToStopDuring,
                seconds,
                prompts,
                cautions,
                ifLeftHere,
                onlyIf);
    }

    /** Each once. */
    private static <T> List<T> and(List<T> some, List<T> more) {
        List<T> all = new ArrayList<>(some);
        more.stream().filter(item -> !all.contains(item)).forEach(all::add);
        return all;
    }

    /** Names it within its plan, as in forms. */
    public String key() {
        return kind.dashed() + (module.isEmpty() ? "" : "-" + module);
    }
}
