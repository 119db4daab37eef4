package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import java.util.List;

/**
 * How the vehicle was left before, and what is not so any more.
 *
 * @param earlier with what it may be compared: see {@link Baselines#earlier}
 * @param whole blocks that may go back as they are, one for each that differs
 * @param wholeRefused why blocks of a module may not, in words
 */
public record Lost(
        BaselineSummary asLeft,
        List<BaselineSummary> earlier,
        BaselineSummary now,
        Drift drift,
        List<WholeBlock> whole,
        List<String> wholeRefused,
        String sentence) {
    /** A block that differs and may be restored raw. */
    public record WholeBlock(PutBack putBack, String title) {}

    /** Whether not one octet of coding differs. */
    public boolean same() {
        return drift.isEmpty() && whole.isEmpty() && wholeRefused.isEmpty();
    }
}
