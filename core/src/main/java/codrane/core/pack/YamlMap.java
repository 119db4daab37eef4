package codrane.core.pack;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/**
 * A mapping of a YAML file with its lines. Asking for a key that is missing or of the wrong kind notes a problem and
 * gives a harmless value, so that one load names all problems; keys never asked for are problems too.
 */
final class YamlMap {
    private final Problems problems;
    private final int line;
    private final String path;
    private final Map<String, Node> entries = new LinkedHashMap<>();
    private final Map<String, Integer> lines = new LinkedHashMap<>();
    private final Set<String> asked = new HashSet<>();

    /** Collects what is wrong. */
    static final class Problems {
        private final String file;
        private final List<PackProblem> found = new ArrayList<>();

        Problems(String file) {
            this.file = file;
        }

        void add(int line, String reason) {
            found.add(new PackProblem(file, line, reason));
        }

        List<PackProblem> found() {
            return found.stream()
                    .sorted(java.util.Comparator.comparingInt(PackProblem::line))
                    .toList();
        }
    }

    YamlMap(Node node, String path, Problems problems) {
        this.problems = problems;
        this.path = path;
        line = lineOf(node);
        if (!(node instanceof MappingNode map)) {
            problems.add(line, path + " must be a mapping");
            return;
        }
        for (NodeTuple tuple : map.getValue()) {
            if (!(tuple.getKeyNode() instanceof ScalarNode key)) {
                problems.add(lineOf(tuple.getKeyNode()), path + ": a key must be plain text");
            } else if (entries.put(key.getValue(), tuple.getValueNode()) != null) {
                problems.add(lineOf(key), path + ": " + key.getValue() + " is there twice");
            } else {
                lines.put(key.getValue(), lineOf(key));
            }
        }
    }

    private YamlMap(int line, String path, Problems problems) {
        this.line = line;
        this.path = path;
        this.problems = problems;
    }

    static int lineOf(Node node) {
        return node.getStartMark().map(mark -> mark.getLine() + 1).orElse(1);
    }

    Set<String> keys() {
        return entries.keySet();
    }

    boolean has(String key) {
        asked.add(key);
        return entries.containsKey(key);
    }

    int lineOf(String key) {
        return lines.getOrDefault(key, line);
    }

    void problem(String key, String reason) {
        problems.add(lineOf(key), at(key) + " " + reason);
    }

    String text(String key) {
        Node node = need(key);
        if (node == null) return "";
        if (node instanceof ScalarNode scalar && !scalar.getValue().isBlank()) return scalar.getValue();
        problem(key, "must be text");
        return "";
    }

    String text(String key, String otherwise) {
        return has(key) ? text(key) : otherwise;
    }

    /** Decimal or 0x. */
    long number(String key, long least, long most) {
        if (need(key) == null) return least;
        String text = text(key);
        try {
            long value = Long.decode(text);
            if (value >= least && value <= most) return value;
            problem(key, "is " + text + " (expected " + least + ".." + most + ")");
        } catch (NumberFormatException e) {
            problem(key, "is " + text + " (expected a number)");
        }
        return least;
    }

    int integer(String key, int least, int most) {
        return (int) number(key, least, most);
    }

    int integer(String key, int least, int most, int otherwise) {
        return has(key) ? integer(key, least, most) : otherwise;
    }

    double decimal(String key, double least, double most) {
        if (need(key) == null) return least;
        String text = text(key);
        try {
            double value = Double.parseDouble(text);
            if (value >= least && value <= most) return value;
            problem(key, "is " + text + " (expected " + least + ".." + most + ")");
        } catch (NumberFormatException e) {
            problem(key, "is " + text + " (expected a number)");
        }
        return least;
    }

    /** YAML 1.2: only true and false. */
    boolean flag(String key, boolean otherwise) {
        if (!has(key)) return otherwise;
        String text = text(key);
        if (!text.equals("true") && !text.equals("false")) problem(key, "is " + text + " (expected true or false)");
        return text.equals("true");
    }

    /** One of an enum's constants, written in lower case with dashes. */
    <E extends Enum<E>> E constant(String key, E[] choices) {
        return choice(key, List.of(choices), YamlMap::dashed);
    }

    /** A list of an enum's constants, none when the key is not there. */
    <E extends Enum<E>> Set<E> constants(String key, E[] choices) {
        Set<E> found = new LinkedHashSet<>();
        for (String text : texts(key)) {
            Optional<E> choice =
                    Arrays.stream(choices).filter(c -> dashed(c).equals(text)).findFirst();
            choice.ifPresent(found::add);
            if (choice.isEmpty())
                problem(
                        key,
                        "has " + text + " (expected one of "
                                + String.join(
                                        ", ",
                                        Arrays.stream(choices)
                                                .map(YamlMap::dashed)
                                                .toList())
                                + ")");
        }
        return found;
    }

    static String dashed(Enum<?> constant) {
        return constant.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    Duration millis(String key, int most) {
        return Duration.ofMillis(integer(key, 0, most));
    }

    Duration micros(String key, int most) {
        return Duration.ofNanos(integer(key, 0, most) * 1000L);
    }

    /** Entries of a list, none when the key is not there. */
    List<YamlMap> mapsIfAny(String key) {
        return has(key) ? maps(key) : List.of();
    }

    /** The choice whose key is the text. */
    <T> T choice(String key, List<T> choices, java.util.function.Function<T, String> name) {
        String text = text(key);
        for (T choice : choices) {
            if (name.apply(choice).equals(text)) return choice;
        }
        if (!text.isEmpty()) {
            problem(
                    key,
                    "is " + text + " (expected one of "
                            + String.join(", ", choices.stream().map(name).toList()) + ")");
        }
        return choices.getFirst();
    }

    YamlMap map(String key) {
        Node node = need(key);
        return node == null ? new YamlMap(line, at(key), problems) : new YamlMap(node, at(key), problems);
    }

    /** A list that must be there, with at least one text. */
    List<String> someTexts(String key) {
        List<String> texts = texts(key);
        if (!has(key)) problem(key, "is missing");
        else if (texts.isEmpty()) problem(key, "must not be empty");
        return texts;
    }

    List<String> texts(String key) {
        if (!has(key)) return List.of();
        List<String> texts = new ArrayList<>();
        for (Node node : items(key)) {
            if (node instanceof ScalarNode scalar) texts.add(scalar.getValue());
            else problems.add(lineOf(node), at(key) + " must be a list of text");
        }
        return texts;
    }

    List<List<String>> textLists(String key) {
        if (!has(key)) return List.of();
        List<List<String>> lists = new ArrayList<>();
        for (Node node : items(key)) {
            if (node instanceof SequenceNode inner) {
                lists.add(inner.getValue().stream()
                        .filter(ScalarNode.class::isInstance)
                        .map(n -> ((ScalarNode) n).getValue())
                        .toList());
            } else {
                problems.add(lineOf(node), at(key) + " must be a list of lists");
            }
        }
        return lists;
    }

    List<YamlMap> maps(String key) {
        if (need(key) == null) return List.of();
        List<YamlMap> maps = new ArrayList<>();
        for (Node node : items(key)) maps.add(new YamlMap(node, at(key), problems));
        return maps;
    }

    /** Notes every key that nothing asked for. */
    void end() {
        for (String key : entries.keySet()) {
            if (!asked.contains(key)) problem(key, "is not known here");
        }
    }

    private List<Node> items(String key) {
        Node node = entries.get(key);
        if (node instanceof SequenceNode sequence) return sequence.getValue();
        problem(key, "must be a list");
        return List.of();
    }

    private @Nullable Node need(String key) {
        asked.add(key);
        Node node = entries.get(key);
        if (node == null) problems.add(line, at(key) + " is missing");
        return node;
    }

    private String at(String key) {
        return path.isEmpty() ? key : path + "." + key;
    }
}
