package codrane.app.packs;

import codrane.app.workshop.CodraneSettings;
import codrane.core.pack.MarketRules;
import codrane.core.pack.PackProblem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** What the law of the workshop's market says: the file in {@code markets} beside the packs. A bad one stops the start. */
@Component
public class MarketShelf {
    private final MarketRules rules;

    MarketShelf(CodraneSettings settings) throws IOException {
        Path folder = settings.packs().resolve("markets");
        MarketRules found = MarketRules.NONE;
        if (Files.isDirectory(folder)) {
            try (Stream<Path> files = Files.list(folder)) {
                for (Path file : files.filter(f -> f.toString().endsWith(".yaml"))
                        .sorted()
                        .limit(1)
                        .toList()) found = load(file);
            }
        }
        rules = found;
    }

    private static MarketRules load(Path file) throws IOException {
        return switch (MarketRules.load(file.toString(), Files.readString(file))) {
            case MarketRules.Result.Loaded(MarketRules rules) -> rules;
            case MarketRules.Result.Invalid invalid ->
                throw new IllegalStateException(
                        invalid.problems().stream().map(PackProblem::sentence).collect(Collectors.joining("\n")));
        };
    }

    public MarketRules rules() {
        return rules;
    }
}
