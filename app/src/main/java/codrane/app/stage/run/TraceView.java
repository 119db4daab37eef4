package codrane.app.stage.run;

import codrane.link.trace.TraceLine;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;

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
    /** What goes wrong so close to the end is why it ended: only the session is closed after it. */
    private static final int NEAR_END = 40;

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
     * @param end whether it ended at this one
     */
    public record Line(
            String time,
            String gap,
            String module,
            boolean fromTester,
            String words,
            String data,
            boolean refused,
            boolean end) {
        private static Line of(TraceLine line, boolean end) {
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
                    line.trouble(),
                    end);
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
        int end = end(found);
        int page = Math.clamp(wanted.orElse(end / PAGE + 1), 1, pages);
        Set<String> modules = new TreeSet<>();
        all.forEach(line -> modules.add(line.module()));
        int first = (page - 1) * PAGE;
        List<Line> lines = IntStream.range(first, Math.min(first + PAGE, found.size()))
                .mapToObj(i -> Line.of(found.get(i), i == end && end > 0))
                .toList();
        return new TraceView(lines, found.size(), all.size(), modules, filter, page, pages);
    }

    /** Where the refusal or the break stands at which it ended; 0 when it ended well. */
    private static int end(List<TraceLine> found) {
        for (int i = found.size() - 1; i >= Math.max(0, found.size() - NEAR_END); i--)
            if (found.get(i).trouble()) return i;
        return 0;
    }
}
