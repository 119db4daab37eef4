package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/** What is written about packs agrees with what is read: the guide's example, and the published schema. */
class PackGuideTest {
    private static final Path DOCS = Path.of("..", "docs");

    /** JSON is YAML. */
    private static final Map<String, Object> SCHEMA = map(read(text("pack-schema.json")));

    /** A map that the schema closes: no other members may stand there. */
    private record Place(List<Object> at, List<String> keys, int schema) {}

    private static String text(String name) {
        try {
            return Files.readString(DOCS.resolve(name));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Object read(String yaml) {
        return new Load(LoadSettings.builder().build()).loadFromString(yaml);
    }

    private static String example() {
        String guide = text("packs.md");
        int from = guide.indexOf("```yaml\n") + 8;
        return guide.substring(from, guide.indexOf("```", from));
    }

    static Stream<String> packs() {
        return Stream.concat(Stream.of(example()), Packs.all().stream().map(Packs::text));
    }

    @Test
    void example_ofTheGuide_isAValidPack() {
        assertThat(PackLoader.load("guide", example())).isInstanceOf(PackResult.Loaded.class);
    }

    @ParameterizedTest
    @MethodSource("packs")
    void packs_meetTheSchema(String yaml) {
        List<String> problems = new ArrayList<>();
        judge(read(yaml), SCHEMA, "", problems);
        assertThat(problems).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("packs")
    void member_thatTheSchemaDoesNotKnow_isNotKnownToTheLoader(String yaml) {
        Set<Integer> seen = new HashSet<>();
        for (Place place : places(read(yaml), SCHEMA)) {
            if (!seen.add(place.schema())) continue;
            Object pack = read(yaml);
            at(pack, place.at()).put("zzz", "1");
            assertThat(problems(pack)).as(place.at().toString()).anyMatch(p -> p.contains("zzz"));
        }
    }

    @Test
    void member_cutOut_isMissedByBothOrNeither() {
        Set<Object> seen = new HashSet<>();
        List<Supplier<Optional<String>>> cuts = new ArrayList<>();
        packs().map(PackGuideTest::read).forEach(pack -> {
            for (Place place : places(pack, SCHEMA))
                for (String key : place.keys())
                    if (seen.add(place.schema() + key)) cuts.add(() -> cut(copy(pack), place.at(), key));
        });
        assertThat(cuts.parallelStream().map(Supplier::get).flatMap(Optional::stream))
                .isEmpty();
    }

    private static Object copy(Object value) {
        if (value instanceof List<?> list)
            return new ArrayList<>(list.stream().map(PackGuideTest::copy).toList());
        if (!(value instanceof Map<?, ?> map)) return value;
        Map<Object, Object> copy = new LinkedHashMap<>();
        map.forEach((key, member) -> copy.put(key, copy(member)));
        return copy;
    }

    private static Optional<String> cut(Object pack, List<Object> place, String key) {
        at(pack, place).remove(key);
        List<String> schema = new ArrayList<>();
        judge(pack, SCHEMA, "", schema);
        List<String> loader = problems(pack);
        boolean missed = loader.stream().anyMatch(p -> p.endsWith(key + " is missing"));
        if (schema.isEmpty() ? !missed : !loader.isEmpty()) return Optional.empty();
        return Optional.of(place + " without " + key + ", schema: " + schema + ", loader: " + loader);
    }

    private static List<String> problems(Object pack) {
        return PackLoader.load("x", new Dump(DumpSettings.builder().build()).dumpToString(pack))
                        instanceof PackResult.Invalid invalid
                ? invalid.problems().stream().map(PackProblem::reason).toList()
                : List.of();
    }

    private static List<Place> places(Object document, Map<String, Object> schema) {
        List<Place> places = new ArrayList<>();
        walk(document, schema, List.of(), places);
        return places;
    }

    private static void walk(Object value, Map<String, Object> schema, List<Object> at, List<Place> places) {
        Map<String, Object> here = resolved(schema);
        if (value instanceof List<?> list) {
            for (int i = 0; i < list.size(); i++) walk(list.get(i), map(here.get("items")), with(at, i), places);
        } else if (value instanceof Map<?, ?> members) {
            if (Boolean.FALSE.equals(here.get("additionalProperties")))
                places.add(new Place(
                        at, members.keySet().stream().map(Object::toString).toList(), System.identityHashCode(here)));
            members.forEach((k, v) -> walk(v, member(here, k.toString()), with(at, k), places));
        }
    }

    private static void judge(Object value, Map<String, Object> schema, String at, List<String> problems) {
        Map<String, Object> here = resolved(schema);
        if (value instanceof List<?> list) {
            for (Object item : list) judge(item, map(here.get("items")), at + "[]", problems);
        } else if (value instanceof Map<?, ?> members) {
            for (Object needed : (List<?>) here.getOrDefault("required", List.of()))
                if (!members.containsKey(needed)) problems.add(at + " lacks " + needed);
            boolean closed = Boolean.FALSE.equals(here.get("additionalProperties"));
            members.forEach((k, v) -> {
                if (closed && !map(here.get("properties")).containsKey(k.toString())) problems.add(at + " has " + k);
                judge(v, member(here, k.toString()), at + "." + k, problems);
            });
        }
    }

    private static Map<String, Object> member(Map<String, Object> schema, String key) {
        Object own = map(schema.get("properties")).get(key);
        return map(own != null ? own : schema.get("additionalProperties"));
    }

    private static Map<String, Object> resolved(Map<String, Object> schema) {
        if (!(schema.get("$ref") instanceof String reference)) return schema;
        return map(map(SCHEMA.get("$defs")).get(reference.substring("#/$defs/".length())));
    }

    private static Map<String, Object> at(Object document, List<Object> place) {
        Object here = document;
        for (Object step : place)
            here = step instanceof Integer i && here instanceof List<?> l ? l.get(i) : ((Map<?, ?>) here).get(step);
        return map(here);
    }

    private static List<Object> with(List<Object> at, Object step) {
        List<Object> longer = new ArrayList<>(at);
        longer.add(step);
        return longer;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object value) {
        return value instanceof Map<?, ?> map ? (Map<String, Object>) map : Map.of();
    }
}
