package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Whatever a command is given: a sentence that names file, port or octet, an exit code, no trace of the program, no hang. */
@Timeout(20)
class BadInputToCommandsTest {
    private static final String POWER = """
            {"battery":{"chemistry":"agm","capacityAh":92,"restVolts":12.6},
             "load":[{"seconds":60,"amperes":14}],"operation":"coding"}""";
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @TempDir
    Path folder;

    private int run(String... args) {
        out.reset();
        err.reset();
        int code = Main.run(
                List.of(args),
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8));
        assertThat(said()).doesNotContain("Exception", "\tat ", "java.", "codrane.app", "codrane.core");
        return code;
    }

    private String said() {
        return out.toString(StandardCharsets.UTF_8) + err.toString(StandardCharsets.UTF_8);
    }

    private String file(String name, String content) throws IOException {
        return Files.writeString(folder.resolve(name), content).toString();
    }

    private String file(String name, byte[] content) throws IOException {
        return Files.write(folder.resolve(name), content).toString();
    }

    /** Each command that reads a file, with the file last. */
    private static List<List<String>> readers() {
        return List.of(
                List.of("file", "info"),
                List.of("pack", "check"),
                List.of("plan"),
                List.of("power"),
                List.of("baseline", "verify"));
    }

    private int read(List<String> command, String file) {
        List<String> words = new ArrayList<>(command);
        words.add(file);
        return run(words.toArray(String[]::new));
    }

    @ParameterizedTest
    @ValueSource(strings = {"/dev/zero", "/dev/null", "/", "/nowhere/at/all"})
    void everyReader_whatIsNoPlainFile_saysSo(String name) {
        for (List<String> command : readers()) {
            assertThat(read(command, name)).as(command + " " + name).isEqualTo(2);
            assertThat(said()).contains(name);
            assertThat(said()).containsAnyOf("no plain file", "a folder", "there is no file");
        }
    }

    @Test
    void everyReader_aPipe_isNotWaitedFor() throws Exception {
        Path pipe = folder.resolve("pipe");
        new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor();
        for (List<String> command : readers()) {
            assertThat(read(command, pipe.toString())).as(command.toString()).isEqualTo(2);
            assertThat(said()).contains("no plain file");
        }
    }

    @Test
    void everyReader_aNameWithANul_saysSo() {
        for (List<String> command : readers()) {
            assertThat(read(command, "a\0b")).as(command.toString()).isEqualTo(2);
            assertThat(said()).contains("no name that a file can have");
        }
    }

    @Test
    void textReaders_whatIsNoUtf8_nameTheOctet() throws IOException {
        byte[] latin = "pack: caf\u00e9".getBytes(StandardCharsets.ISO_8859_1);
        String name = file("latin.yaml", latin);
        for (List<String> command : readers().subList(1, 5)) {
            assertThat(read(command, name)).as(command.toString()).isEqualTo(2);
            assertThat(said()).contains("latin.yaml is not UTF-8 text: octet 10 is E9");
        }
    }

    @Test
    void packCheck_aThousandBrackets_isFoundWithItsLine() throws IOException {
        assertThat(run("pack", "check", file("deep.yaml", "pack: x\nlayouts: " + "[".repeat(1000) + "]".repeat(1000))))
                .isEqualTo(1);
        assertThat(said()).contains("deep.yaml:2", "nested deeper than 40 levels");
        assertThat(run(
                        "pack",
                        "check",
                        file("maps.yaml", "a: ".repeat(1) + "{b: ".repeat(5000) + "1" + "}".repeat(5000))))
                .isEqualTo(1);
        assertThat(said()).contains("nested deeper");
    }

    @Test
    void packCheck_aScalarOfTenMegabytes_isNotReadWhole() throws IOException {
        assertThat(run("pack", "check", file("long.yaml", "pack: " + "x".repeat(10_000_000))))
                .isEqualTo(2);
        assertThat(said()).contains("long.yaml is longer than 4 MB");
        assertThat(run("pack", "check", file("longer.yaml", "pack: " + "x".repeat(3_000_000))))
                .isEqualTo(1);
        assertThat(said()).contains("which no pack is");
    }

    @Test
    void json_deepLongOrDoubled_isNamed() throws IOException {
        assertThat(run("power", file("deep.json", "[".repeat(5000) + "]".repeat(5000))))
                .isEqualTo(2);
        assertThat(said()).contains("deep.json", "nested deeper than 100");
        assertThat(run(
                        "power",
                        file("twice.json", POWER.replace("\"operation\"", "\"operation\":\"coding\",\"operation\""))))
                .isEqualTo(2);
        assertThat(said()).contains("twice.json", "operation", "line 2");
        assertThat(run("plan", file("twice.json", "{\"kind\":\"K9\",\"kind\":\"K1\"}")))
                .isEqualTo(2);
        assertThat(said()).contains("kind");
    }

    @ParameterizedTest
    @CsvSource({
        "restVolts, restVoltage, battery.restVoltage: there is no such member",
        "amperes, amps, load.amps: there is no such member",
        "operation, opertaion, opertaion: there is no such member"
    })
    void power_misspeltMember_isNamedAndNotPassedOver(String right, String wrong, String sentence) throws IOException {
        assertThat(run("power", file("power.json", POWER.replace("\"" + right + "\"", "\"" + wrong + "\""))))
                .isEqualTo(2);
        assertThat(said()).contains(sentence, "known are", right);
    }

    @Test
    void power_secondsThatOverflowTogether_areLongerThanADay() throws IOException {
        String load = "{\"seconds\":86400,\"amperes\":1}";
        String loads = String.join(",", java.util.Collections.nCopies(24_856, load)); // past 2^31 together
        assertThat(run("power", file("power.json", POWER.replace("{\"seconds\":60,\"amperes\":14}", loads))))
                .isEqualTo(2);
        assertThat(said()).containsAnyOf("longer than a day", "is longer than 1 MB");
        String fewer = String.join(",", java.util.Collections.nCopies(30, load));
        assertThat(run("power", file("power.json", POWER.replace("{\"seconds\":60,\"amperes\":14}", fewer))))
                .isEqualTo(2);
        assertThat(said()).contains("longer than a day");
    }

    @ParameterizedTest
    @ValueSource(strings = {"+999999999-12-31", "-0044-03-15", "9999-01-01", "2026-02-30", "yesterday"})
    void plan_absurdDay_isAsked(String day) throws IOException {
        String facts =
                "{\"kind\":\"K16\",\"pack\":\"brennick-lorne\",\"vin\":\"0BKLR3A46MN004127\",\"date\":\"" + day + "\"}";
        assertThat(run("plan", file("facts.json", facts))).isEqualTo(1);
        assertThat(said()).contains("is no date: for which day");
    }

    @ParameterizedTest
    @ValueSource(strings = {"127.0.0.1:65536", "127.0.0.1:0", "127.0.0.1:99999999", ":5", "127.0.0.1", "127.0.0.1:-1"})
    void uds_portThatThereIsNot_saysSo(String where) {
        assertThat(run("uds", "--doip", where, "--address", "0x101A", "22 F1 90"))
                .isEqualTo(2);
        assertThat(said()).containsAnyOf("there is none (expected 1..65535)", "say HOST:PORT");
    }

    @ParameterizedTest
    @CsvSource({"--can, 65536", "--control, 99999999999", "--speed, 0", "--can, many"})
    void standin_numberOutOfRange_saysWhatIsExpected(String option, String value) {
        assertThat(run("standin", "--pack", "brennick-lorne", option, value)).isEqualTo(2);
        assertThat(said()).contains(option + ": " + value, "expected");
    }

    @Test
    void whatWasTyped_isQuotedShort() {
        assertThat(run("vin", "check", "x", "--" + "y".repeat(5000))).isEqualTo(2);
        assertThat(said().length()).isLessThan(200);
        assertThat(run("z".repeat(5000))).isEqualTo(2);
        assertThat(said().length()).isLessThan(200);
        assertThat(run("predict", "--pack", "p".repeat(5000), "--module", "x", "--bytes", "1"))
                .isEqualTo(2);
        assertThat(said().length()).isLessThan(200);
    }

    private static final String HEX = """
            :020000040008F2
            :1000000000112233445566778899AABBCCDDEEFFF8
            :00000001FF
            """;

    @Test
    void fileInfo_recordsSpoiltAtTheirBeginning_areDamagedAndNotBinary() throws IOException {
        byte[] good = HEX.getBytes(StandardCharsets.US_ASCII);
        byte[] first = good.clone();
        first[0] = 0x03; // the very first octet
        byte[] third = good.clone();
        third[2] = 0;
        byte[] marked = ("\uFEFF" + HEX).getBytes(StandardCharsets.UTF_8);
        List<byte[]> spoilt = List.of(
                first,
                third,
                marked,
                HEX.getBytes(StandardCharsets.UTF_16),
                HEX.getBytes(StandardCharsets.UTF_16LE),
                HEX.getBytes(StandardCharsets.UTF_16BE),
                "X00F000068656C6C6F\nS1130000285F245F2212226A000424290008237C2A\nS9030000FC\n"
                        .getBytes(StandardCharsets.US_ASCII));
        for (int i = 0; i < spoilt.size(); i++) {
            assertThat(run("file", "info", file("f" + i, spoilt.get(i)), "--json"))
                    .as("case " + i)
                    .isEqualTo(1);
            JsonNode error = new ObjectMapper().readTree(err.toString(StandardCharsets.UTF_8));
            assertThat(error.path("class").asString()).as("case " + i).isEqualTo("damaged");
            assertThat(error.path("line").asInt()).as("case " + i).isEqualTo(1);
        }
        assertThat(run("file", "info", file("good", good), "--json")).isZero();
        assertThat(said()).contains("intel-hex");
        byte[] raw = new byte[2000];
        new java.util.Random(5).nextBytes(raw);
        assertThat(run("file", "info", file("raw", raw), "--json")).isZero();
        assertThat(said()).contains("binary");
    }

    /** The digit itself may be the one that was misread. */
    @Test
    void vinCheck_onlyTheCheckDigitIsWrong_offersTheRightOne() {
        assertThat(run("vin", "check", "0TVWP2E66TN002240", "--json")).isEqualTo(1);
        assertThat(said()).contains("0TVWP2E67TN002240");
    }
}
