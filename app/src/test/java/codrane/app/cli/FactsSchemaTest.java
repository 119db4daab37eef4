package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.School;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** The published schema of facts says what the reader takes. */
class FactsSchemaTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final JsonNode SCHEMA = schema();

    private static JsonNode schema() {
        try {
            return JSON.readTree(Files.readString(Path.of("..", "docs", "plan-facts-schema.json")));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static List<String> notUnderstood(Map<String, ?> facts) throws IOException {
        return FactsReader.read(JSON.valueToTree(facts)).questions().stream()
                .filter(q -> q.id().equals("not-understood"))
                .map(q -> q.fact())
                .toList();
    }

    private static Map<String, Object> facts(String key, Object value) {
        Map<String, Object> facts = new java.util.LinkedHashMap<>(
                Map.of("kind", "K16", "pack", "brennick-lorne", "vin", "0BKLR3A46MN004127"));
        facts.put(key, value);
        return facts;
    }

    @Test
    void members_ofTheSchema_areKnownToTheReader() throws IOException {
        for (String member : SCHEMA.path("properties").propertyNames()) {
            Object value = SCHEMA.path("properties")
                            .path(member)
                            .path("type")
                            .asString("")
                            .equals("object")
                    ? Map.of()
                    : "";
            assertThat(notUnderstood(facts(member, value)).stream()
                            .filter(f -> f.equals(member))
                            .toList())
                    .as(member)
                    .allMatch(f -> SCHEMA.path("properties").path(member).has("enum"));
        }
        assertThat(notUnderstood(facts("colour", "blue"))).containsExactly("colour");
    }

    @Test
    void values_ofTheSchemasEnums_areUnderstood() throws IOException {
        for (String member : List.of("gateway", "content"))
            for (JsonNode value : SCHEMA.path("properties").path(member).path("enum"))
                assertThat(notUnderstood(facts(member, value.asString()))).isEmpty();
        JsonNode part = SCHEMA.path("properties").path("part").path("properties");
        for (String member : List.of("origin", "state", "old"))
            for (JsonNode value : part.path(member).path("enum"))
                assertThat(notUnderstood(facts("part", Map.of(member, value.asString()))))
                        .isEmpty();
        JsonNode answer = SCHEMA.path("properties")
                .path("answers")
                .path("additionalProperties")
                .path("properties");
        for (String member : List.of("presence", "coding"))
            for (JsonNode value : answer.path(member).path("enum"))
                assertThat(notUnderstood(facts("answers", Map.of("body", Map.of(member, value.asString())))))
                        .isEmpty();
        for (JsonNode source :
                SCHEMA.path("properties").path("sources").path("items").path("enum"))
            assertThat(notUnderstood(facts("sources", List.of(source.asString()))))
                    .isEmpty();
    }

    @Test
    void schools_ofTheSchema_areThoseThatThereAre() {
        JsonNode policy = SCHEMA.path("properties").path("policy").path("properties");
        assertThat(policy.propertyNames())
                .containsExactlyInAnyOrderElementsOf(
                        Arrays.stream(School.values()).map(School::key).toList());
        for (School school : School.values()) {
            List<String> answers = new java.util.ArrayList<>();
            policy.path(school.key()).path("enum").forEach(a -> answers.add(a.asString()));
            // what is agreed to for one job and one part is no policy
            assertThat(answers).isEqualTo(school.ofOneJob() ? List.of(school.byDefault()) : school.answers());
        }
    }
}
