package codrane.app.cli;

import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineDiff.Change;
import codrane.core.baseline.BaselineFile;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code baseline diff A.json B.json [--json]}: what differs between two exported baselines. */
@Command(name = "diff", description = "What differs between two exported baselines.")
final class BaselineDiffCommand extends Asked {
    @Parameters(index = "0", paramLabel = "A.json")
    private String before;

    @Parameters(index = "1", paramLabel = "B.json")
    private String after;

    private record Octet(int at, String from, String to) {
        Octet(BaselineDiff.ByteChange change) {
            this(change.at(), hex(change.from()), hex(change.to()));
        }

        private static String hex(int octet) {
            return octet < 0 ? "" : "%02X".formatted(octet);
        }
    }

    private record Block(String block, List<Octet> bytes, List<Change> fields) {
        Block(BaselineDiff.BlockDiff diff) {
            this(diff.block(), diff.bytes().stream().map(Octet::new).toList(), diff.fields());
        }
    }

    private record Fault(String code, String title, String change, int from, int to) {
        Fault(BaselineDiff.FaultDiff diff) {
            this(diff.code(), diff.title(), word(diff.change()), diff.from(), diff.to());
        }
    }

    private record Module(
            String module,
            Optional<Change> presence,
            List<Change> identification,
            List<Block> coding,
            List<Fault> faults,
            List<Change> adaptations,
            List<Change> live) {
        Module(BaselineDiff.ModuleDiff diff) {
            this(
                    diff.module(),
                    diff.presence(),
                    diff.identification(),
                    diff.coding().stream().map(Block::new).toList(),
                    diff.faults().stream().map(Fault::new).toList(),
                    diff.adaptations(),
                    diff.live());
        }
    }

    private record Told(boolean sameVehicle, List<String> vins, List<Module> modules) {}

    @Override
    public Integer call() throws IOException {
        BaselineFile first = BaselineFiles.named(before);
        BaselineFile second = BaselineFiles.named(after);
        BaselineDiff diff = BaselineDiff.of(first, second);
        Told told = new Told(
                diff.sameVehicle(),
                List.of(first.vin(), second.vin()),
                diff.modules().stream().map(Module::new).toList());
        output().result("baseline-diff", told, text(diff));
        return diff.isEmpty() ? Main.GOOD : Main.FOUND;
    }

    private static String word(BaselineDiff.FaultChange change) {
        return change.name().toLowerCase(Locale.ROOT);
    }

    private static String text(BaselineDiff diff) {
        List<String> lines = new ArrayList<>();
        if (!diff.sameVehicle()) lines.add("The baselines are of different vehicles.");
        diff.modules().forEach(m -> lines.addAll(lines(m)));
        return lines.isEmpty() ? "Nothing differs." : String.join("\n", lines);
    }

    private static List<String> lines(BaselineDiff.ModuleDiff module) {
        List<String> lines = new ArrayList<>();
        String name = module.module() + ": ";
        module.presence().ifPresent(c -> lines.add(name + c.from() + " → " + c.to()));
        module.identification().forEach(c -> lines.add(name + moved(c)));
        for (BaselineDiff.BlockDiff block : module.coding()) {
            block.fields().forEach(c -> lines.add(block.block() + ": " + moved(c)));
            if (block.fields().isEmpty())
                lines.add(block.block() + ": " + block.bytes().size() + " octets differ");
        }
        module.adaptations().forEach(c -> lines.add(name + moved(c)));
        module.faults().forEach(f -> lines.add(name + f.code() + " " + word(f.change()) + ", " + f.title()));
        return lines;
    }

    private static String moved(Change change) {
        return change.what() + " " + change.from() + " → " + change.to();
    }
}
