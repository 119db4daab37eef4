package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.LineSheet;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** {@code lines check}. */
class LinesCheckCommandTest {
    @TempDir
    Path folder;

    private final Commanded command = new Commanded();

    private int check(String text, String... options) throws IOException {
        Path file = Files.writeString(folder.resolve("lines.txt"), text);
        List<String> args = new ArrayList<>(List.of("lines", "check", file.toString(), "--json"));
        args.addAll(List.of(options));
        return command.run(args);
    }

    private static String sheet(String tag, int bytes) {
        return LineSheet.of(tag, Bytes.filled(bytes, 0x5A)).stream()
                .map(LineSheet.Line::text)
                .collect(Collectors.joining("\n"));
    }

    /** Bytes of the doors' coding. */
    private static int doors() throws IOException {
        String text = Files.readString(Path.of("..", "packs", "brennick-lorne.yaml"));
        Pack lorne = ((PackResult.Loaded) PackLoader.load("lorne", text)).pack();
        return lorne.codingOctets(lorne.module("doors"));
    }

    private List<String> texts(String member) {
        List<String> texts = new ArrayList<>();
        command.json().path(member).forEach(item -> texts.add(item.asString()));
        return texts;
    }

    private JsonNode line(int index) {
        return command.json().path("lines").get(index);
    }

    @Test
    void check_goodSheet_isGood_withAndWithoutItsPack() throws IOException {
        assertThat(check(sheet("LFT", 36) + "\n\n" + sheet("DOR", doors()), "--pack", "brennick-lorne"))
                .isZero();
        assertThat(check(sheet("ABC", 3))).isZero();
        assertThat(line(0).path("valid").asBoolean()).isTrue();
    }

    @Test
    void check_slips_areNamed() throws IOException {
        assertThat(check("BOD/07  5C 13 88 F0 | D4\nbod/08 0o 11 | 4C\nDOR/01  FF\nXYZ"))
                .isEqualTo(1);
        assertThat(line(0).path("reason").asString()).contains("with bytes 1 and 2 in each other's place");
        assertThat(line(1).path("reason").asString()).contains("the letter O where the digit 0");
        assertThat(line(2).path("reason").asString()).contains("check byte is missing");
        assertThat(line(3).path("reason").asString()).contains("Row 4 is not of the form");
        assertThat(line(0).path("tag").asString()).isEqualTo("BOD");
        assertThat(line(0).path("number").asInt()).isEqualTo(7);
    }

    @Test
    void check_missingAndRepeated_areCountedByTag() throws IOException {
        String line = new LineSheet.Line("BOD", 3, Bytes.of(1, 2)).text();
        assertThat(check(line + "\n" + line)).isEqualTo(1);
        assertThat(texts("missing")).containsExactly("BOD/01", "BOD/02");
        assertThat(texts("repeated")).containsExactly("BOD/03");
    }

    @Test
    void check_againstAPack_namesForeignLinesAndWhatItsModulesHave() throws IOException {
        assertThat(check(sheet("LFT", 28) + "\n" + sheet("ABC", 8), "--pack", "brennick-lorne"))
                .isEqualTo(1);
        assertThat(texts("missing")).containsExactly("LFT/05");
        assertThat(line(3).path("reason").asString())
                .isEqualTo("Line LFT/04 has 4 bytes; on this vehicle it has 8 bytes.");
        assertThat(line(4).path("reason").asString()).isEqualTo("No module of this vehicle has the tag ABC.");
        int lines = (doors() + 7) / 8;
        assertThat(check(sheet("DOR", (lines + 1) * 8), "--pack", "brennick-lorne"))
                .isEqualTo(1);
        assertThat(line(lines).path("reason").asString()).isEqualTo("The coding of the doors has " + lines + " lines.");
    }

    @Test
    void badInput_isSaid() throws IOException {
        assertThat(check("")).isEqualTo(2);
        assertThat(check(sheet("LFT", 8), "--pack", "nothing")).isEqualTo(2);
        assertThat(command.run("lines", "check", folder.resolve("none").toString()))
                .isEqualTo(2);
    }
}
