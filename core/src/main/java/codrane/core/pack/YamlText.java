package codrane.core.pack;

import java.util.Optional;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.events.CollectionEndEvent;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.Node;

/** Turns YAML text into nodes: bounded in length and depth, so that no file can exhaust the reader. */
final class YamlText {
    private static final int LONGEST = 2_000_000;
    private static final int DEEPEST = 40;

    private YamlText() {}

    /** The text is no YAML, or none that is taken. */
    static final class Unreadable extends Exception {
        private final transient PackProblem problem;

        Unreadable(String file, int line, String reason) {
            super(reason);
            problem = new PackProblem(file, line, reason);
        }

        PackProblem problem() {
            return problem;
        }
    }

    /** @param file name shown in the problem */
    static Node root(String file, String yaml) throws Unreadable {
        LoadSettings settings = LoadSettings.builder()
                .setUseMarks(true)
                .setAllowDuplicateKeys(true) // noted with their line by YamlMap
                .setCodePointLimit(LONGEST)
                .build();
        if (yaml.length() > LONGEST)
            throw new Unreadable(file, 1, "longer than " + LONGEST + " characters, which no pack is");
        try {
            depth(file, yaml, settings);
            Optional<Node> root = new Compose(settings).composeString(yaml);
            if (root.isEmpty()) throw new Unreadable(file, 1, "the file is empty");
            return root.get();
        } catch (MarkedYamlEngineException e) {
            throw new Unreadable(file, line(e.getProblemMark()), "not readable as YAML: " + e.getProblem());
        } catch (YamlEngineException e) {
            throw new Unreadable(file, 1, "not readable as YAML: " + e.getMessage());
        }
    }

    /** Looked at event by event, before nodes are made of it by a reader that calls itself. */
    private static void depth(String file, String yaml, LoadSettings settings) throws Unreadable {
        int depth = 0;
        for (Event event : new Parse(settings).parseString(yaml)) {
            if (event instanceof CollectionEndEvent) depth--;
            if (event instanceof CollectionStartEvent && ++depth > DEEPEST)
                throw new Unreadable(file, line(event.getStartMark()), "nested deeper than " + DEEPEST + " levels");
        }
    }

    private static int line(Optional<Mark> mark) {
        return mark.map(m -> m.getLine() + 1).orElse(1);
    }
}
