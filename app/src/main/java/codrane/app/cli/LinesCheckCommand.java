package codrane.app.cli;

import codrane.core.coding.LineRow;
import codrane.core.coding.LineSheet;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.text.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code lines check FILE [--pack P] [--json]}. */
@Command(name = "check", description = "A line sheet, line by line; with a pack also against its modules.")
final class LinesCheckCommand extends Asked {
    private static final long LONGEST = 1 << 20;

    @Parameters(paramLabel = "FILE")
    private String name;

    @Option(names = "--pack", paramLabel = "P")
    private Optional<String> packName = Optional.empty();

    @Option(
            names = "--software",
            paramLabel = "V",
            description = "of the module, by which the layout is chosen (default: the newest)")
    private String software = "";

    private record LineTold(int row, String tag, int number, boolean valid, String reason) {}

    private record Told(String file, List<LineTold> lines, List<String> missing, List<String> repeated) {}

    @Override
    public Integer call() throws IOException {
        Optional<Pack> pack =
                packName.isPresent() ? Optional.of(kept(PackFiles.named(packName.get()))) : Optional.empty();
        List<LineRow> rows = LineSheet.rows(InputFile.text(InputFile.path(name), LONGEST));
        if (rows.isEmpty()) throw new IOException(name + " has no line");
        Map<String, List<LineRow>> byTag = new LinkedHashMap<>();
        rows.stream()
                .filter(row -> row.number() > 0 && row.number() < 256)
                .forEach(row ->
                        byTag.computeIfAbsent(row.tag(), t -> new ArrayList<>()).add(row));
        List<LineTold> lines =
                rows.stream().map(row -> told(row, against(pack, row))).toList();
        List<String> missing = new ArrayList<>();
        byTag.forEach((tag, of) -> missing(pack, tag, of).forEach(n -> missing.add(LineRow.name(tag, n))));
        Set<String> seen = new LinkedHashSet<>();
        List<String> repeated = rows.stream()
                .filter(row -> row.number() > 0)
                .map(LineRow::name)
                .filter(row -> !seen.add(row))
                .distinct()
                .toList();
        output().result("lines-check", new Told(name, lines, missing, repeated), text(lines, missing, repeated));
        boolean good = lines.stream().allMatch(LineTold::valid) && missing.isEmpty() && repeated.isEmpty();
        return good ? Main.GOOD : Main.FOUND;
    }

    /** As that software keeps the coding, in whichever module. */
    private Pack kept(Pack pack) {
        if (software.isEmpty()) return pack;
        Map<String, String> all = new LinkedHashMap<>();
        pack.modules().keySet().forEach(module -> all.put(module, software));
        return pack.as(all);
    }

    private static LineTold told(LineRow row, String foreign) {
        String reason = row.trouble().orElse(foreign);
        return new LineTold(row.row(), row.tag(), row.number(), reason.isEmpty(), reason);
    }

    /** What the pack says against a line that is good by itself; empty when nothing. */
    private static String against(Optional<Pack> pack, LineRow row) {
        if (pack.isEmpty()) return "";
        Optional<PackModule> module = module(pack.get(), row.tag());
        if (module.isEmpty()) return "No module of this vehicle has the tag " + row.tag() + ".";
        List<LineSheet.Line> own = lines(pack.get(), module.get());
        if (row.number() > own.size())
            return "The coding of the " + module.get().lowerTitle() + " has "
                    + (own.isEmpty() ? "no lines." : Words.count(own.size(), "line") + ".");
        int expected = own.get(row.number() - 1).data().length();
        int is = row.line().map(l -> l.data().length()).orElse(expected);
        return is == expected
                ? ""
                : "Line " + row.name() + " has " + Words.count(is, "byte") + "; on this vehicle it has "
                        + Words.count(expected, "byte") + ".";
    }

    private static Optional<PackModule> module(Pack pack, String tag) {
        return pack.modules().values().stream().filter(m -> m.tag().equals(tag)).findFirst();
    }

    /** Lines of the module's coding as it would be printed, whatever they hold. */
    private static List<LineSheet.Line> lines(Pack pack, PackModule module) {
        return LineSheet.of(module.tag(), codrane.core.octets.Bytes.filled(pack.codingOctets(module), 0));
    }

    /** Up to the greatest that is there; with a pack, of all that the module has. */
    private static List<Integer> missing(Optional<Pack> pack, String tag, List<LineRow> rows) {
        Set<Integer> numbers =
                new LinkedHashSet<>(rows.stream().map(LineRow::number).toList());
        if (pack.isEmpty()) return LineSheet.missing(numbers);
        int all = module(pack.get(), tag).map(m -> lines(pack.get(), m).size()).orElse(0);
        return IntStream.rangeClosed(1, all)
                .filter(n -> !numbers.contains(n))
                .boxed()
                .toList();
    }

    private static String text(List<LineTold> lines, List<String> missing, List<String> repeated) {
        StringBuilder text = new StringBuilder();
        lines.stream()
                .filter(l -> !l.valid())
                .forEach(l -> text.append(l.reason()).append('\n'));
        missing.forEach(line -> text.append("Line ").append(line).append(" is missing.\n"));
        repeated.forEach(line -> text.append("Line ").append(line).append(" is there twice.\n"));
        return text.isEmpty()
                ? "All " + lines.size() + " lines are good."
                : text.toString().stripTrailing();
    }
}
