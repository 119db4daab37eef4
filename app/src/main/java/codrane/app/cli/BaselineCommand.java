package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.CanonicalJson;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * {@code baseline verify FILE [--sha256 HASH] [--json]} and {@code baseline diff A.json B.json [--json]}: whether an
 * exported baseline is as it was written, and what differs between two.
 */
final class BaselineCommand {
    private static final long LONGEST_FILE = 32L << 20;

    private BaselineCommand() {}

    /**
     * A file as it was read.
     *
     * @param canonical whether the text is exactly as Codrane writes it
     */
    private record Loaded(String text, BaselineFile.Read read, boolean canonical) {}

    static int verify(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        Optional<String> expected = arguments.option("--sha256").map(h -> h.toLowerCase(Locale.ROOT));
        Path file = InputFile.path(arguments.onlyWord("FILE"));
        arguments.end();
        Loaded loaded = load(file);
        String sha256 = Baseline.hash(loaded.text());
        String reason = reason(loaded, sha256, expected);
        Map<String, Object> object = Output.object("baseline-verify");
        object.put("file", file.toString());
        object.put("valid", reason.isEmpty());
        object.put("reason", reason.isEmpty() ? "The baseline is as it was written." : reason);
        object.put("sha256", sha256);
        object.put("canonical", loaded.canonical());
        if (loaded.read() instanceof BaselineFile.Read.File(BaselineFile baseline)) {
            object.put("vin", baseline.vin());
            object.put("pack", baseline.pack());
            object.put("takenAt", baseline.takenAt());
            object.put("modules", baseline.modules().size());
        }
        output.result(object, object.get("reason") + " SHA-256 " + sha256);
        return reason.isEmpty() ? Main.GOOD : Main.FOUND;
    }

    private static String reason(Loaded loaded, String sha256, Optional<String> expected) {
        if (loaded.read() instanceof BaselineFile.Read.Bad(String what)) return what;
        if (expected.filter(h -> !h.equals(sha256)).isPresent())
            return "Its hash is not the one that was kept: the file was changed.";
        return loaded.canonical() ? "" : "The text is not as Codrane writes it: the file was edited or laid out anew.";
    }

    private static Loaded load(Path file) throws IOException {
        String text = InputFile.text(file, LONGEST_FILE);
        try {
            Object tree = InputFile.tree(file, text);
            return new Loaded(
                    text,
                    BaselineFile.read(tree),
                    canonical(tree).filter(text::equals).isPresent());
        } catch (UsageException e) {
            return new Loaded(text, new BaselineFile.Read.Bad(e.getMessage()), false);
        }
    }

    private static Optional<String> canonical(Object tree) {
        try {
            return Optional.of(CanonicalJson.of(tree));
        } catch (IllegalArgumentException e) {
            return Optional.empty(); // holds what a baseline never does, such as fractions
        }
    }

    static int diff(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        BaselineFile before = file(InputFile.path(arguments.onlyWord("A.json")));
        BaselineFile after = file(InputFile.path(arguments.onlyWord("B.json")));
        arguments.end();
        BaselineDiff diff = BaselineDiff.of(before, after);
        Map<String, Object> object = Output.object("baseline-diff");
        object.put("sameVehicle", diff.sameVehicle());
        object.put("vins", List.of(before.vin(), after.vin()));
        object.put(
                "modules", diff.modules().stream().map(BaselineCommand::module).toList());
        output.result(object, text(diff));
        return diff.isEmpty() ? Main.GOOD : Main.FOUND;
    }

    private static BaselineFile file(Path path) throws IOException {
        return switch (load(path).read()) {
            case BaselineFile.Read.File(BaselineFile baseline) -> baseline;
            case BaselineFile.Read.Bad(String reason) -> throw new UsageException(path + ": " + reason);
        };
    }

    private static Map<String, Object> module(BaselineDiff.ModuleDiff diff) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("module", diff.module());
        diff.presence().ifPresent(change -> out.put("presence", change(change)));
        out.put(
                "identification",
                diff.identification().stream().map(BaselineCommand::change).toList());
        out.put("coding", diff.coding().stream().map(BaselineCommand::block).toList());
        out.put("faults", diff.faults().stream().map(BaselineCommand::fault).toList());
        out.put(
                "adaptations",
                diff.adaptations().stream().map(BaselineCommand::change).toList());
        out.put("live", diff.live().stream().map(BaselineCommand::change).toList());
        return out;
    }

    private static Map<String, Object> change(BaselineDiff.Change change) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("what", change.what());
        out.put("from", change.from());
        out.put("to", change.to());
        return out;
    }

    private static Map<String, Object> block(BaselineDiff.BlockDiff diff) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("block", diff.block());
        out.put("bytes", diff.bytes().stream().map(BaselineCommand::octet).toList());
        out.put("fields", diff.fields().stream().map(BaselineCommand::change).toList());
        return out;
    }

    private static Map<String, Object> octet(BaselineDiff.ByteChange change) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("at", change.at());
        out.put("from", change.from() < 0 ? "" : "%02X".formatted(change.from()));
        out.put("to", change.to() < 0 ? "" : "%02X".formatted(change.to()));
        return out;
    }

    private static Map<String, Object> fault(BaselineDiff.FaultDiff diff) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("code", diff.code());
        out.put("title", diff.title());
        out.put("change", diff.change().name().toLowerCase(Locale.ROOT));
        out.put("from", diff.from());
        out.put("to", diff.to());
        return out;
    }

    private static String text(BaselineDiff diff) {
        List<String> lines = new ArrayList<>();
        if (!diff.sameVehicle()) lines.add("The baselines are of different vehicles.");
        for (BaselineDiff.ModuleDiff module : diff.modules()) {
            module.presence().ifPresent(c -> lines.add(module.module() + ": " + c.from() + " → " + c.to()));
            module.identification()
                    .forEach(c -> lines.add(module.module() + ": " + c.what() + " " + c.from() + " → " + c.to()));
            for (BaselineDiff.BlockDiff block : module.coding()) {
                block.fields()
                        .forEach(c -> lines.add(block.block() + ": " + c.what() + " " + c.from() + " → " + c.to()));
                if (block.fields().isEmpty())
                    lines.add(block.block() + ": " + block.bytes().size() + " octets differ");
            }
            module.adaptations()
                    .forEach(c -> lines.add(module.module() + ": " + c.what() + " " + c.from() + " → " + c.to()));
            module.faults()
                    .forEach(f -> lines.add(module.module() + ": " + f.code() + " "
                            + f.change().name().toLowerCase(Locale.ROOT) + ", " + f.title()));
        }
        return lines.isEmpty() ? "Nothing differs." : String.join("\n", lines);
    }
}
