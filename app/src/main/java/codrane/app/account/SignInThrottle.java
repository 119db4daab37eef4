package codrane.app.account;

import codrane.app.records.AuditTrail;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Makes guessing slow: after some wrong passwords for a name from an address, each further one must wait, longer and
 * longer. An address with many wrong ones gets fewer free tries for each name. Nobody is locked out by others: a browser
 * that signed in under the name before has tries of its own, other names and other addresses are not touched, and the
 * wait is half a minute at most. Counts are this node's, and forgotten at a restart.
 */
@Component
class SignInThrottle {
    private static final int FREE = 5;
    private static final int FREE_WHERE_MANY_FAIL = 1;
    private static final int MANY = 20;
    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final Duration FORGOTTEN_AFTER = Duration.ofMinutes(15);
    private static final int MOST_KEPT = 20_000;
    private static final int LONGEST_NAME = 40;

    private final AuditTrail audit;
    private final InstantSource time;
    private final Map<String, Wrong> wrong = new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Wrong> eldest) {
            return size() > MOST_KEPT;
        }
    };

    SignInThrottle(AuditTrail audit, InstantSource time) {
        this.audit = audit;
        this.time = time;
    }

    /** @param refused tries that were not looked at since the last wrong password */
    private record Wrong(int count, int refused, Instant last) {
        static final Wrong NONE = new Wrong(0, 0, Instant.EPOCH);

        Wrong more(Instant now) {
            return new Wrong(count + 1, 0, now);
        }

        Wrong refuse() {
            return new Wrong(count, refused + 1, last);
        }
    }

    /** Where a password is asked for; each place counts for itself. */
    enum Door {
        SIGN_IN("failed to sign in"),
        OWN_PASSWORD("failed to change the own password");

        private final String failed;

        Door(String failed) {
            this.failed = failed;
        }
    }

    /** Who tries, from where, and whether this browser signed in under the name before. */
    record Try(Door door, String name, String address, boolean known) {
        Try(String name, String address, boolean known) {
            this(Door.SIGN_IN, name, address, known);
        }

        private String key() {
            return door + (known ? " known " + name : " at " + address + " " + name);
        }
    }

    /** How long this try must wait; zero when it may be looked at. */
    synchronized Duration wait(Try attempt) {
        Wrong before = of(attempt.key());
        Duration left = Duration.between(time.instant(), before.last().plus(span(attempt, before.count())));
        if (left.isNegative() || left.isZero()) return Duration.ZERO;
        wrong.put(attempt.key(), before.refuse());
        return left;
    }

    private Duration span(Try attempt, int count) {
        boolean many = !attempt.known() && of(address(attempt)).count() >= MANY;
        int over = count - (many ? FREE_WHERE_MANY_FAIL : FREE);
        if (over < 0) return Duration.ZERO;
        Duration span = Duration.ofSeconds(1L << Math.min(over + 1, 5));
        return span.compareTo(LONGEST) > 0 ? LONGEST : span;
    }

    private Wrong of(String key) {
        Wrong before = wrong.getOrDefault(key, Wrong.NONE);
        boolean old = Duration.between(before.last(), time.instant()).compareTo(FORGOTTEN_AFTER) > 0;
        return old ? Wrong.NONE : before;
    }

    private static String address(Try attempt) {
        return "address " + attempt.address();
    }

    /** Counts a wrong password, and writes it down: the first, and each that brings a wait. */
    void failed(Try attempt) {
        Wrong before;
        Wrong now;
        boolean waits;
        synchronized (this) {
            before = of(attempt.key());
            now = before.more(time.instant());
            wrong.put(attempt.key(), now);
            wrong.put(address(attempt), of(address(attempt)).more(time.instant()));
            waits = !span(attempt, now.count()).isZero();
        }
        if (before.count() > 0 && !waits) return;
        String refused = before.refused() == 0 ? "" : ", " + before.refused() + " more were not looked at";
        audit.record(
                shortened(attempt.name()),
                attempt.door().failed,
                "from " + attempt.address(),
                now.count() + (now.count() == 1 ? " wrong password" : " wrong passwords in a row") + refused);
    }

    synchronized void right(Try attempt) {
        wrong.remove(attempt.key());
    }

    void succeeded(Try attempt) {
        right(attempt);
        audit.record(attempt.name(), "signed in", "from " + attempt.address(), "");
    }

    /** What a stranger typed is not stored at any length, nor with characters that can't be. */
    private static String shortened(String name) {
        String clean = name.replaceAll("\\p{Cntrl}", "?");
        return clean.length() > LONGEST_NAME ? clean.substring(0, LONGEST_NAME) + "…" : clean;
    }
}
