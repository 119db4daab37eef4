package codrane.core.ready;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that a plan needs.
 *
 * @param what names it within its kind: a module, or empty
 * @param lead from asking until it is here, when it is not
 * @param due when it is expected, once it was asked for
 * @param price in crowns; empty when nobody knows it before asking, 0 when it costs nothing
 * @param sentence what is so, what is missing, and how it is got
 */
public record Need(
        Kind kind,
        String what,
        String title,
        State state,
        Duration lead,
        Optional<Instant> due,
        Optional<Integer> price,
        String sentence) {
    /** Kinds, in the order in which they are shown; who finds whether it is here. */
    public enum Kind {
        PART("The part", true),
        PEOPLE("Somebody who may do it", true),
        KEYS("Keys", false),
        CABLE("Cable", false),
        /** At the gateway's authority; the hold point of Unlock waits for it, not that of Prepare. */
        AUTHORITY("Authorisation", false),
        TARGETS("Targets for aiming", true),
        INSTRUCTION("The instruction", true),
        LINE_SHEET("Line sheet", false),
        REFERENCE("A vehicle to compare with", false),
        /** When no module that is left keeps it. */
        ORDER("The vehicle order", false),
        /** What the old part had learned, of which nobody could read it. */
        LEARNED("Learned values", false),
        PASS("Pass", true),
        TOKENS("Tokens", true),
        LICENCE("Licence", true),
        FILE("Calibration", false),
        ACCESS_CODE("Access code", true),
        DAILY_CODE("Code of the day", true);

        private final String title;
        private final boolean noted;

        Kind(String title, boolean noted) {
            this.title = title;
            this.noted = noted;
        }

        public String title() {
            return title;
        }

        /** Whether it is secret: typed in masked, kept encrypted, and never noted. */
        public boolean secret() {
            return this == ACCESS_CODE || this == DAILY_CODE;
        }

        /** Whether it is typed in at Prepare. */
        public boolean typed() {
            return secret() || this == LEARNED || this == ORDER;
        }

        /** Whether a person notes that it is here; else Codrane finds it. */
        public boolean noted() {
            return noted;
        }

        /** As in addresses: lower case with dashes. */
        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public static Optional<Kind> of(String key) {
            return Arrays.stream(values()).filter(k -> k.key().equals(key)).findFirst();
        }
    }

    /** Whether it is here. */
    public enum State {
        HERE("here"),
        ASKED("asked for"),
        LATE("late"),
        TO_GET("to be got");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public boolean here() {
        return state == State.HERE;
    }

    /** Whether getting it costs money or tokens, as far as anybody knows. */
    public boolean costs() {
        return price.map(p -> p > 0).orElse(true) || kind == Kind.TOKENS;
    }

    /** Names it within its plan. */
    public String key() {
        return kind.key() + (what.isEmpty() ? "" : ":" + what);
    }

    /** When it can be here, if it is asked for now. */
    Instant readyAt(Instant now) {
        return switch (state) {
            case HERE -> now;
            case ASKED -> due.filter(d -> d.isAfter(now)).orElse(now);
            case LATE, TO_GET -> now.plus(lead);
        };
    }
}
