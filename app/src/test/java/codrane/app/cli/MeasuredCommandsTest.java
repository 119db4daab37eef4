package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** {@code scale tyre} and {@code variant rank}. */
class MeasuredCommandsTest {
    @TempDir
    Path folder;

    private final Commanded command = new Commanded();

    @Test
    void tyre_vector_holds() {
        assertThat(command.run("scale", "tyre", "215/65R16C", "225/70R15C", "--json"))
                .isZero();
        JsonNode told = command.json();
        assertThat(told.path("diameterMm").get(0).asDouble()).isEqualTo(685.9);
        assertThat(told.path("circumferenceMm").get(0).asDouble()).isEqualTo(2083.7);
        assertThat(told.path("diameterMm").get(1).asDouble()).isEqualTo(696.0);
        assertThat(told.path("speedRatio").asDouble()).isEqualTo(1.0147);
        assertThat(told.path("readsLow").asBoolean()).isTrue();
        assertThat(command.run("scale", "tyre", "225/70R15C", "215/65R16C", "--json"))
                .isZero();
        assertThat(command.json().path("readsLow").asBoolean()).isFalse();
        assertThat(command.run("scale", "tyre", "215/65", "215/65R16C")).isEqualTo(2);
    }

    private String file(String name, String text) throws IOException {
        return Files.writeString(folder.resolve(name), text).toString();
    }

    private String response(String name, double boom) throws IOException {
        return file(
                name,
                "hz,db\n"
                        + IntStream.rangeClosed(60, 170)
                                .mapToObj(i -> Math.pow(10, i / 40.0))
                                .map(hz -> hz + "," + (hz < 120 ? boom : Math.sin(Math.log(hz))))
                                .collect(Collectors.joining("\n")));
    }

    @Test
    void rank_flattestFirst_inItsBand() throws IOException {
        String boomy = response("boomy.csv", 12);
        String tame = response("tame.csv", 1);
        String level = file("level.csv", "20,70\n20000,70\n");
        assertThat(command.run("variant", "rank", boomy, tame, level, "--band", "full", "--json"))
                .isZero();
        List<String> files = command.json().path("ranking").findValuesAsString("file");
        assertThat(files).containsExactly(level, tame, boomy);
        assertThat(command.json().path("ranking").get(0).path("flatnessDb").asDouble())
                .isZero();
        assertThat(command.run("variant", "rank", boomy, tame, "--json")).isZero();
        List<Double> flatness = command.json().path("ranking").findValues("flatnessDb").stream()
                .map(JsonNode::asDouble)
                .toList();
        assertThat(flatness.get(0)).isEqualTo(flatness.get(1)); // the boom is below speech
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hz,db", "100,1", "100,1\n200,x", "100,1\n0,1", "a\nb", "100,1\n200,2"})
    void rank_whatIsNoResponse_isSaid(String text) throws IOException {
        String good = file("good.csv", "20,70\n20000,70\n");
        assertThat(command.run("variant", "rank", good, file("bad.csv", text))).isEqualTo(2);
        assertThat(command.err()).contains("bad.csv");
        assertThat(command.run("variant", "rank", good, good)).isEqualTo(2);
        assertThat(command.run("variant", "rank", good, file("other.csv", "20,1\n20000,2"), "--band", "loud"))
                .isEqualTo(2);
    }
}
