package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.standin.Conditions;
import codrane.standin.control.RunningVehicle;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
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

    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, scan",
        "brennick-lorne, unlock",
        "tolvane-chorus, scan",
        "tolvane-chorus, unlock",
        "ardwyn-gannet, transfer",
        "tolvane-wisp, program"
    })
    void trace_everyScene_isPcapngWithEveryFrame(String pack, String what) throws IOException {
        Path file = folder.resolve("t.pcapng");
        assertThat(run("trace", "--pack", pack, "--what", what, "--out", file.toString(), "--json"))
                .isZero();
        JsonNode result = json(out);
        assertThat(result.path("schema").asString()).isEqualTo("codrane.trace/1");
        assertThat(packets(file)).isGreaterThanOrEqualTo(result.path("frames").asInt());
        assertThat(result.path("frames").asInt()).isGreaterThan(20);
    }

    /** Every block is as long as it says; packets of Ethernet count their own handshake and segments. */
    private static int packets(Path file) throws IOException {
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        List<Integer> links = new ArrayList<>();
        int packets = 0;
        while (in.hasRemaining()) {
            int start = in.position();
            int type = in.getInt();
            int length = in.getInt();
            if (type == 1) links.add((int) in.getShort());
            if (type == 6) packets++;
            assertThat(in.getInt(start + length - 4)).isEqualTo(length);
            in.position(start + length);
        }
        assertThat(links).containsExactly(227, 1);
        return packets;
    }

    @Test
    void trace_asText_canBeReadBack() throws IOException {
        Path file = folder.resolve("t.txt");
        assertThat(run("trace", "--pack", "peregil-dunlin", "--what", "scan", "--out", file.toString()))
                .isZero();
        assertThat(Files.readString(file).lines())
                .isNotEmpty()
                .allMatch(l -> l.matches("\\(\\d+\\.\\d{6}\\) [0-9A-F]{3}#[0-9A-F]{16}"));
    }

    @Test
    void trace_whatCannotBe_isUsage() {
        String out = folder.resolve("t.pcapng").toString();
        assertThat(run("trace", "--pack", "peregil-dunlin", "--what", "unlock", "--out", out))
                .isEqualTo(2);
        assertThat(run("trace", "--pack", "peregil-dunlin", "--what", "dance", "--out", out))
                .isEqualTo(2);
        assertThat(run("trace", "--pack", "peregil-dunlin", "--what", "program", "--module", "doors", "--out", out))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("no gateway", "expected scan", "can't be programmed");
    }

    @Test
    void predict_module_tellsPredictedSimulatedAndUse() {
        assertThat(run("predict", "--pack", "brennick-lorne", "--module", "tail-lift", "--bytes", "65536", "--json"))
                .isZero();
        JsonNode result = json(out);
        assertThat(result.path("schema").asString()).isEqualTo("codrane.predict/1");
        double simulated = result.path("simulatedSeconds").asDouble();
        assertThat(result.path("predictedSeconds").asDouble()).isBetween(0.9 * simulated, 1.1 * simulated);
        assertThat(result.path("busUse").asDouble()).isBetween(0.97, 1.0);
        out.reset();
        assertThat(run("predict", "--pack", "tolvane-chorus", "--module", "doors", "--bytes", "65536", "--json"))
                .isZero();
        assertThat(json(out).has("busUse")).isFalse(); // without a bus it is not defined
        assertThat(json(out).has("busShare")).isFalse();
        assertThat(run("predict", "--pack", "brennick-lorne", "--module", "doors", "--bytes", "65536"))
                .isEqualTo(2);
        assertThat(run("predict", "--pack", "brennick-lorne", "--module", "tail-lift", "--bytes", "5"))
                .isEqualTo(2);
    }

    @Test
    void uds_overDoipAndCan_answersRefusesOrIsSilent() throws IOException {
        SimulatedVehicle.World world = SimulatedVehicle.World.now(new Authority().publicKey());
        Pack pack = PackFiles.named("brennick-lorne");
        RunningVehicle.Doors doors = new RunningVehicle.Doors(Optional.of(0), Optional.of(0), 0);
        try (RunningVehicle vehicle = new RunningVehicle(Conditions.standard(pack), doors, 10, world)) {
            String doip = "127.0.0.1:" + vehicle.doipPort();
            assertThat(run("uds", "--doip", doip, "--address", "0x101A", "22 F1 90", "--json"))
                    .isZero();
            assertThat(json(out).path("response").asString()).startsWith("62F1903042");
            out.reset();
            assertThat(run("uds", "--doip", doip, "--address", "0x101A", "22 FF FF", "--json"))
                    .isEqualTo(1);
            assertThat(json(out).path("code").asString()).isEqualTo("31");
            out.reset();
            String can = "127.0.0.1:" + vehicle.canPort();
            assertThat(run("uds", "--can", can, "--request-id", "4CE", "--response-id", "4CF", "22F189", "--json"))
                    .isZero();
            assertThat(json(out).path("outcome").asString()).isEqualTo("positive");
            out.reset();
            assertThat(run("uds", "--can", can, "--request-id", "4D8", "--response-id", "4D9", "3E00", "--json"))
                    .isEqualTo(1);
            assertThat(json(out).path("outcome").asString()).isEqualTo("silent");
        }
        assertThat(run("uds", "--doip", "127.0.0.1:1", "--address", "0x101A", "3E00"))
                .isEqualTo(2);
    }

    @Test
    void uds_badCalls_areUsage() {
        assertThat(run("uds", "--doip", "127.0.0.1:1", "--address", "nowhere", "3E00"))
                .isEqualTo(2);
        assertThat(run("uds", "--doip", "127.0.0.1:1", "--address", "0x101A", "3E0"))
                .isEqualTo(2);
        assertThat(run("uds", "3E00")).isEqualTo(2);
        assertThat(run("uds", "--can", "127.0.0.1:1", "--request-id", "FFF", "--response-id", "449", "3E00"))
                .isEqualTo(2);
    }

    @Test
    void standin_badFault_isUsage() {
        assertThat(run("standin", "--pack", "brennick-lorne", "--fault", "dance"))
                .isEqualTo(2);
        assertThat(run("standin", "--pack", "brennick-lorne", "--fault", "silent:module=spreader"))
                .isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("There is no fault", "has no module spreader");
    }

    @Test
    void serialCheck_confusable_isOneWithTheOffer() {
        assertThat(run("serial", "check", "AAA9-999999", "PLV2-204417", "--json"))
                .isZero();
        out.reset();
        assertThat(run("serial", "check", "AAA9-999999", "PLV2-2O4417", "--json"))
                .isEqualTo(1);
        assertThat(json(out).path("position").asInt()).isEqualTo(7);
        assertThat(json(out).path("suggestions").get(0).asString()).isEqualTo("PLV2-204417");
        assertThat(run("serial", "check", "AAA9-999999")).isEqualTo(2);
    }

    @Test
    void power_request_goesWaitsOrNamesTheMistake() throws IOException {
        Path file = folder.resolve("power.json");
        String good = "{\"battery\":{\"chemistry\":\"agm\",\"capacityAh\":92,\"restVolts\":12.55,\"restedHours\":6},"
                + "\"supportUnit\":{\"setVolts\":13.8,\"limitA\":90},\"load\":[{\"seconds\":600,\"amperes\":32}]}";
        Files.writeString(file, good);
        assertThat(run("power", file.toString(), "--json")).isZero();
        assertThat(json(out).path("decision").asString()).isEqualTo("go");
        assertThat(json(out).path("withUnit").path("volts").size()).isEqualTo(60);
        out.reset();
        Files.writeString(file, good.replace("\"limitA\":90", "\"limitA\":10"));
        assertThat(run("power", file.toString(), "--json")).isEqualTo(1);
        assertThat(json(out).path("decision").asString()).isEqualTo("no");
        Files.writeString(file, good.replace("agm", "lead"));
        assertThat(run("power", file.toString(), "--json")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("battery.chemistry");
        Files.writeString(file, "{ nonsense");
        assertThat(run("power", file.toString())).isEqualTo(2);
    }

    @Test
    void partCheck_numbers_giveVerdictListAndLock() {
        assertThat(run("part", "check", "brennick-lorne", "tail-lift", "BK-67220-B2", "bk 67220 b3", "--json"))
                .isZero();
        assertThat(json(out).path("verdict").asString()).isEqualTo("accepted-suffix");
        assertThat(json(out).path("vinLocked").asBoolean()).isFalse();
        out.reset();
        assertThat(run("part", "check", "brennick-lorne", "tail-lift", "BK-67220-B2", "BK-67220-A9", "--json"))
                .isEqualTo(1);
        assertThat(json(out).path("verdict").asString()).isEqualTo("predecessor");
        out.reset();
        assertThat(run("part", "check", "brennick-lorne", "restraints", "BK-45018-B2", "BK-99999-B2", "--json"))
                .isEqualTo(1);
        assertThat(json(out).path("vinLocked").asBoolean()).isTrue();
        assertThat(run("part", "check", "brennick-lorne", "warp-drive", "A", "B"))
                .isEqualTo(2);
    }

    private Path baseline(String name, codrane.standin.vehicle.Setup setup) throws IOException {
        var workshop = new codrane.standin.VirtualWorkshop(setup);
        var reading = new codrane.link.scan.DeepReader(workshop.link(), setup.pack())
                .read(setup.pack().modules().values(), java.util.List.of(), done -> {});
        String json = codrane.core.baseline.Baseline.of(
                        setup.pack(), setup.vin().text(), java.time.Instant.parse("2026-03-02T08:00:00Z"), reading)
                .json();
        return Files.writeString(folder.resolve(name), json);
    }

    @Test
    void baselineVerify_asWritten_isGood_editedIsNot() throws IOException {
        Path file = baseline("a.json", Conditions.usedTailLift(PackFiles.named("brennick-lorne")));
        assertThat(run("baseline", "verify", file.toString(), "--json")).isZero();
        String sha256 = json(out).path("sha256").asString();
        assertThat(json(out).path("modules").asInt()).isEqualTo(14);
        assertThat(run("baseline", "verify", file.toString(), "--sha256", sha256))
                .isZero();
        String text = Files.readString(file);
        Files.writeString(file, text.replace("\"steel\"", "\"folding\""));
        assertThat(run("baseline", "verify", file.toString(), "--sha256", sha256))
                .isEqualTo(1);
        Files.writeString(file, text.replace("{", "{ "));
        out.reset();
        assertThat(run("baseline", "verify", file.toString(), "--json")).isEqualTo(1);
        assertThat(json(out).path("reason").asString()).contains("edited or laid out anew");
        Files.writeString(file, "{\"schema\":\"other\"}");
        assertThat(run("baseline", "verify", file.toString())).isEqualTo(1);
        Files.writeString(file, "[[[");
        assertThat(run("baseline", "verify", file.toString())).isEqualTo(1);
        assertThat(run("baseline", "verify", folder.resolve("none.json").toString()))
                .isEqualTo(2);
    }

    @Test
    void baselineDiff_usedAgainstHealthy_namesFieldsAndFaults() throws IOException {
        Pack lorne = PackFiles.named("brennick-lorne");
        Path used = baseline("a.json", Conditions.usedTailLift(lorne));
        Path healthy = baseline("b.json", codrane.standin.vehicle.Setup.healthy(lorne, Conditions.LORNE));
        assertThat(run("baseline", "diff", used.toString(), used.toString())).isZero();
        out.reset();
        assertThat(run("baseline", "diff", used.toString(), healthy.toString(), "--json"))
                .isEqualTo(1);
        JsonNode lift = null;
        for (JsonNode module : json(out).path("modules"))
            if (module.path("module").asString().equals("tail-lift")) lift = module;
        assertThat(lift.path("coding").get(0).path("fields").toString()).contains("steel", "aluminium");
        assertThat(lift.path("identification").toString()).contains("3.08", "3.12");
        assertThat(lift.path("faults").toString()).contains("U1301-00", "gone");
        Files.writeString(healthy, "{}");
        assertThat(run("baseline", "diff", used.toString(), healthy.toString())).isEqualTo(2);
    }
}
