package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.feature.FeatureSet;
import codrane.core.feature.FeatureSet.Solved;
import codrane.core.pack.Feature;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code features solve PACK key… [--json]}. */
@Command(name = "solve", description = "Equipment that is wanted together: its settings, or the least that conflicts.")
final class FeaturesSolveCommand extends Asked {
    @Parameters(index = "0", paramLabel = "PACK")
    private String packName;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "key")
    private List<String> wanted;

    private record Assignment(String module, String block, String field, String title, String to) {}

    private record Told(
            String pack,
            List<String> features,
            List<String> needed,
            List<Assignment> assignments,
            List<String> conflict,
            Optional<String> reason,
            List<String> after) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = PackFiles.named(packName);
        for (String id : wanted)
            if (pack.equipment().feature(id).isEmpty())
                throw new UsageException("\"" + InputFile.quoted(id) + "\" is no equipment of this pack (it has "
                        + pack.equipment().features().stream().map(Feature::id).collect(Collectors.joining(", "))
                        + ")");
        return switch (FeatureSet.of(pack, wanted)) {
            case Solved.Together together -> together(pack, together);
            case Solved.Conflict(List<Feature> features, String reason) -> {
                Told told = new Told(
                        pack.id(), wanted, List.of(), List.of(), ids(features), Optional.of(reason), List.of());
                output().result("features-solve", told, reason);
                yield Main.FOUND;
            }
        };
    }

    private int together(Pack pack, Solved.Together together) {
        List<Assignment> assignments = together.values().entrySet().stream()
                .map(v -> new Assignment(
                        pack.holder(v.getKey().layout()).map(PackModule::id).orElseThrow(),
                        v.getKey().layout(),
                        v.getKey().field(),
                        Places.title(pack, v.getKey().layout(), v.getKey().field()),
                        v.getValue()))
                .toList();
        List<String> after = together.features().stream()
                .flatMap(f -> f.after().stream())
                .distinct()
                .toList();
        String text = assignments.stream()
                .map(a -> pack.module(a.module()).title() + ": " + a.title() + ": " + a.to())
                .collect(Collectors.joining("\n"));
        output().result(
                        "features-solve",
                        new Told(
                                pack.id(),
                                ids(together.features()),
                                ids(together.needed()),
                                assignments,
                                List.of(),
                                Optional.empty(),
                                after),
                        text);
        return Main.GOOD;
    }

    private static List<String> ids(List<Feature> features) {
        return features.stream().map(Feature::id).toList();
    }
}
