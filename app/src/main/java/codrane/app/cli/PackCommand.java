package codrane.app.cli;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackProblem;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** {@code pack check FILE [--json]}. */
final class PackCommand {
    private PackCommand() {}

    static int check(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        Path file = InputFile.path(arguments.onlyWord("the file"));
        arguments.end();
        Map<String, Object> object = Output.object("pack-check");
        object.put("file", file.toString());
        return switch (PackLoader.load(file.toString(), InputFile.text(file, PackFiles.LONGEST))) {
            case PackResult.Loaded(Pack pack) -> {
                object.put("valid", true);
                object.put("pack", pack.id());
                object.put("modules", pack.modules().size());
                object.put("problems", List.of());
                output.result(
                        object,
                        file + ": good. " + pack.title() + ", " + pack.modules().size() + " modules.");
                yield Main.GOOD;
            }
            case PackResult.Invalid(List<PackProblem> problems) -> {
                object.put("valid", false);
                object.put(
                        "problems",
                        problems.stream()
                                .map(p -> Map.of("line", p.line(), "reason", p.reason()))
                                .toList());
                output.result(
                        object, problems.stream().map(PackProblem::sentence).collect(Collectors.joining("\n")));
                yield Main.FOUND;
            }
        };
    }
}
