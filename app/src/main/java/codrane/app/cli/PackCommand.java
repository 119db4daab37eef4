package codrane.app.cli;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackProblem;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code pack check FILE [--json]}. */
@Command(name = "check", description = "Checks a vehicle pack.")
final class PackCommand extends Asked {
    @Parameters(paramLabel = "FILE")
    private String name;

    private record Problem(int line, String reason) {}

    private record Told(
            String file, boolean valid, Optional<String> pack, Optional<Integer> modules, List<Problem> problems) {}

    @Override
    public Integer call() throws IOException {
        String file = InputFile.path(name).toString();
        return switch (PackLoader.load(file, InputFile.text(Path.of(file), PackFiles.LONGEST))) {
            case PackResult.Loaded(Pack pack) -> good(file, pack);
            case PackResult.Invalid(List<PackProblem> problems) -> bad(file, problems);
        };
    }

    private int good(String file, Pack pack) {
        int modules = pack.modules().size();
        Told told = new Told(file, true, Optional.of(pack.id()), Optional.of(modules), List.of());
        output().result("pack-check", told, file + ": good. " + pack.title() + ", " + modules + " modules.");
        return Main.GOOD;
    }

    private int bad(String file, List<PackProblem> problems) {
        List<Problem> all =
                problems.stream().map(p -> new Problem(p.line(), p.reason())).toList();
        String text = problems.stream().map(PackProblem::sentence).collect(Collectors.joining("\n"));
        output().result("pack-check", new Told(file, false, Optional.empty(), Optional.empty(), all), text);
        return Main.FOUND;
    }
}
