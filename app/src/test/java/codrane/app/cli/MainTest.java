package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** The commands as scripts see them: output, errors, exit codes. Packs are those of the checkout. */
class MainTest {
    private static final Path PACKS = Path.of("..", "packs");
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @TempDir
    Path folder;

    private int run(String... args) {
        return Main.run(
                List.of(args),
                new PrintStream(out, true, StandardCharsets.UTF_8),
                new PrintStream(err, true, StandardCharsets.UTF_8));
    }

    private static JsonNode json(ByteArrayOutputStream stream) {
        return new ObjectMapper().readTree(stream.toString(StandardCharsets.UTF_8));
    }

    @Test
    void vinCheck_goodVin_isZeroWithItsMembers() {
        assertThat(run("vin", "check", "0AWGN7K8XNN000052", "--json")).isZero();
        JsonNode result = json(out);
        assertThat(result.propertyNames().iterator().next()).isEqualTo("schema");
        assertThat(result.path("schema").asString()).isEqualTo("codrane.vin-check/1");
        assertThat(result.path("valid").asBoolean()).isTrue();
        assertThat(result.path("checkDigit").asString()).isEqualTo("ok");
        assertThat(result.path("modelYears").isArray()).isTrue();
    }

    @Test
    void vinCheck_wrongCheckDigit_isOneUnlessToldOtherwise() {
        assertThat(run("vin", "check", "0TVWP2E66TN002240", "--json")).isEqualTo(1);
        assertThat(json(out).path("checkDigit").asString()).isEqualTo("wrong");
        out.reset();
        assertThat(run("vin", "check", "0TVWP2E66TN002240", "--no-check-digit", "--json"))
                .isZero();
        assertThat(json(out).path("checkDigit").asString()).isEqualTo("unused");
    }

    @Test
    void fileInfo_hex_givesSegmentsAndSums() throws IOException {
        Path file = Files.writeString(folder.resolve("a.hex"), ":0300300002337A1E\n:00000001FF\n");
        assertThat(run("file", "info", file.toString(), "--json")).isZero();
        JsonNode result = json(out);
        assertThat(result.path("format").asString()).isEqualTo("intel-hex");
        assertThat(result.path("segments").get(0).path("start").asInt()).isEqualTo(0x30);
        assertThat(result.path("segments").get(0).path("length").asInt()).isEqualTo(3);
        assertThat(result.path("bytes").asInt()).isEqualTo(3);
        assertThat(result.path("crc32").asString()).hasSize(8);
        assertThat(result.path("sha256").asString()).hasSize(64);
    }

    @Test
    void fileInfo_damaged_isOneWithLineAndColumn() throws IOException {
        Path file = Files.writeString(folder.resolve("a.hex"), ":0300300002337A1F\n:00000001FF\n");
        assertThat(run("file", "info", file.toString(), "--json")).isEqualTo(1);
        assertThat(json(err).path("line").asInt()).isEqualTo(1);
        assertThat(json(err).path("column").asInt()).isEqualTo(16);
        assertThat(json(err).path("class").asString()).isEqualTo("damaged");
    }

    @Test
    void fileInfo_noSuchFile_isTwo() {
        assertThat(run("file", "info", folder.resolve("none").toString(), "--json"))
                .isEqualTo(2);
        assertThat(json(err).path("class").asString()).isEqualTo("io");
    }

    @Test
    void packCheck_shippedAndBroken_areToldApart() throws IOException {
        assertThat(run("pack", "check", PACKS.resolve("brennick-lorne.yaml").toString()))
                .isZero();
        String broken = Files.readString(PACKS.resolve("tolvane-wisp.yaml")).replace("tag: CLI", "tag: cli");
        Path file = Files.writeString(folder.resolve("broken.yaml"), broken);
        out.reset();
        assertThat(run("pack", "check", file.toString())).isEqualTo(1);
        assertThat(out.toString(StandardCharsets.UTF_8))
                .contains("broken.yaml:", "modules.climate.tag must be three capital letters");
    }

    @Test
    void usage_unknownOrIncomplete_isTwo() {
        for (String[] call : new String[][] {
            {"dance"}, {"vin", "check"}, {"vin", "check", "A", "--loud"}, {"standin"}, {"standin", "--pack"}
        }) {
            assertThat(run(call)).as(String.join(" ", call)).isEqualTo(2);
        }
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("unknown command: dance");
    }

    @Test
    void pcapng_identify_isSocketCanWithEveryFrame() throws IOException {
        Path file = folder.resolve("t.pcapng");
        codrane.core.pack.Pack pack = ((codrane.core.pack.PackResult.Loaded)
                        codrane.core.pack.PackLoader.load("p", Files.readString(PACKS.resolve("brennick-lorne.yaml"))))
                .pack();
        var workshop = new codrane.standin.VirtualWorkshop(codrane.standin.Conditions.standard(pack));
        int[] frames = new int[1];
        try (var writer = new codrane.link.trace.PcapngWriter(Files.newOutputStream(file))) {
            workshop.bus().tap(writer);
            workshop.bus().tap((frame, nanos) -> frames[0]++);
            new codrane.link.scan.VehicleScanner(workshop.link(), pack).scan(reading -> {});
        }
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        int packets = 0;
        while (in.hasRemaining()) {
            int start = in.position();
            int type = in.getInt();
            int length = in.getInt();
            if (type == 1) assertThat(in.getShort()).isEqualTo((short) 227);
            if (type == 6) packets++;
            assertThat(in.getInt(start + length - 4)).isEqualTo(length);
            in.position(start + length);
        }
        assertThat(packets).isEqualTo(frames[0]).isGreaterThan(300);
    }
}
