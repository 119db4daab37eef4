package codrane.app.stage.run;

import codrane.link.trace.TraceLine;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/**
 * A page of a trace as it is shown.
 *
 * @param lines of this page
 * @param found how many lines meet the filter
 * @param all how many there are
 * @param modules that occur
 * @param page from 1
 */
public record TraceView(List<Line> lines, int found, int all, Set<String> modules, Filter filter, int page, int pages) {
    private static final int PAGE = 200;
    private static final int LONGEST_DATA = 24;

    /**
     * What is looked for.
     *
     * @param module title, or empty for all
     * @param text that the words or the data must contain, case aside
     * @param refused only refusals
     * @param blocks whether the blocks of a transfer are shown too
     */
    public record Filter(String module, String text, boolean refused, boolean blocks) {
        private boolean takes(TraceLine line) {
            boolean quiet = !blocks && line.kind() == TraceLine.Kind.ROUTINE;
            String wanted = text.strip().toLowerCase(Locale.ROOT);
            boolean contains = wanted.isEmpty()
                    || line.words().toLowerCase(Locale.ROOT).contains(wanted)
                    || line.data().hex().toLowerCase(Locale.ROOT).contains(wanted.replace(" ", ""));
            return !quiet
                    && contains
                    && (module.isEmpty() || line.module().equals(module))
                    && (!refused || line.trouble());
        }
    }

    /**
     * @param time seconds from the beginning
     * @param gap since the message before, with its unit
     */
    public record Line(
            String time, String gap, String module, boolean fromTester, String words, String data, boolean refused) {
        private static Line of(TraceLine line) {
            String data = line.data().length() > LONGEST_DATA
                    ? line.data().slice(0, LONGEST_DATA).spaced() + " … "
                            + line.data().length() + " bytes"
                    : line.data().spaced();
            return new Line(
                    String.format(Locale.ROOT, "%.4f", line.nanos() / 1e9),
                    gap(line.gapNanos()),
                    line.module(),
                    line.fromTester(),
                    line.words(),
                    data,
                    line.trouble());
        }

        private static String gap(long nanos) {
            if (nanos < 10_000_000) return String.format(Locale.ROOT, "%.2f ms", nanos / 1e6);
            if (nanos < 1_000_000_000) return nanos / 1_000_000 + " ms";
            return String.format(Locale.ROOT, "%.1f s", nanos / 1e9);
        }
    }

    static TraceView of(List<TraceLine> all, Filter filter, Optional<Integer> wanted) {
        Predicate<TraceLine> takes = filter::takes;
        List<TraceLine> found = all.stream().filter(takes).toList();
        int pages = Math.max(1, (found.size() + PAGE - 1) / PAGE);
        int page = Math.clamp(wanted.orElse(1), 1, pages);
        Set<String> modules = new TreeSet<>();
        all.forEach(line -> modules.add(line.module()));
        List<Line> lines = found.stream()
                .skip((long) (page - 1) * PAGE)
                .limit(PAGE)
                .map(Line::of)
                .toList();
        return new TraceView(lines, found.size(), all.size(), modules, filter, page, pages);
    }
}
