package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.KnownGood;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/**
 * The page of a stored baseline.
 *
 * @param title of the vehicle, what it is for, and when
 * @param taken when, by whom, where from, and with the key how
 * @param hash in two groups, to be read aloud
 * @param compared what is to be said about healthy vehicles
 */
record BaselinePage(
        long id,
        String title,
        String taken,
        String hash,
        List<Other> others,
        String compared,
        BaselineView read,
        May may) {
    private static final int HALF = 32;

    /** Another baseline of the vehicle. */
    record Other(long id, String title) {}

    /** What this one may press. */
    record May(boolean take, boolean refer) {}

    /** @param when an instant in the workshop's words */
    static BaselinePage of(
            BaselineSummary summary,
            String vehicle,
            BaselineView read,
            List<BaselineSummary> others,
            May may,
            Function<Instant, String> when) {
        String taken = when.apply(summary.takenAt()) + " by " + summary.takenBy() + ", "
                + summary.origin().words() + ", key " + read.key() + (summary.whole() ? "" : ", one module only");
        return new BaselinePage(
                summary.id(),
                vehicle + ", " + title(summary, when),
                taken,
                summary.sha256().substring(0, HALF) + " " + summary.sha256().substring(HALF),
                others.stream()
                        .filter(o -> o.id() != summary.id())
                        .map(o -> new Other(o.id(), title(o, when)))
                        .toList(),
                compared(read),
                read,
                may);
    }

    static String title(BaselineSummary summary, Function<Instant, String> when) {
        return summary.purpose().words() + ", " + when.apply(summary.takenAt());
    }

    private static String compared(BaselineView read) {
        if (read.references() == 0)
            return "No known-good reference of this model with the key in this position is here yet.";
        return read.odd().isEmpty()
                ? "No live value is odd beside " + read.references() + " healthy vehicles of this model."
                : "";
    }

    /** What healthy vehicles show, in words. */
    static String usual(KnownGood good) {
        return String.format(Locale.ROOT, "usual %.2f, of %d", good.median(), good.references());
    }

    static String judged(KnownGood good) {
        return good.verdict().words() + ", of " + good.references();
    }

    static String range(String value, KnownGood good) {
        return String.format(
                Locale.ROOT, "%s, healthy vehicles from %.2f to %.2f", value, good.lowest(), good.highest());
    }
}
