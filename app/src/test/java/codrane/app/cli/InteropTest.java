package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.standin.Conditions;
import codrane.standin.control.RunningVehicle;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Against what others wrote: a packet analyser reads our traces, a tester asks our stand-in, our client asks an entity.
 * {@code ./codrane test --interop} installs both (tshark, python3-scapy) and runs this.
 */
@EnabledIfSystemProperty(named = "codrane.interop", matches = "true")
class InteropTest {
    private static final Path SCRIPTS = Path.of("..", "bench", "interop").toAbsolutePath();

    @TempDir
    Path folder;

    private static List<String> lines(List<String> command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        List<String> lines = new ArrayList<>();
        try (BufferedReader out = process.inputReader(StandardCharsets.UTF_8)) {
            out.lines().forEach(lines::add);
        }
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(String.join(" ", command)).isZero();
        return lines;
    }

    private static int run(ByteArrayOutputStream out, String... args) {
        PrintStream stream = new PrintStream(out, true, StandardCharsets.UTF_8);
        return Main.run(List.of(args), stream, stream);
    }

    private List<String> analysed(Path trace, String... more) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                "tshark",
                "-r",
                trace.toString(),
                "-d",
                "can.subdissector,iso15765",
                "-d",
                "iso15765.subdissector,uds"));
        command.addAll(List.of(more));
        return lines(command);
    }

    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, scan",
        "brennick-lorne, program",
        "brennick-almery, unlock",
        "ardwyn-gannet, scan",
        "ardwyn-gannet, transfer",
        "peregil-dunlin, scan",
        "tolvane-chorus, unlock",
        "tolvane-chorus, transfer",
        "tolvane-wisp, scan"
    })
    void analyser_everyTrace_isUdsWithNothingMalformed(String pack, String what) throws Exception {
        Path trace = folder.resolve("t.pcapng");
        assertThat(run(new ByteArrayOutputStream(), "trace", "--pack", pack, "--what", what, "--out", trace.toString()))
                .isZero();
        assertThat(analysed(trace, "-Y", "_ws.malformed || _ws.expert.severity >= 0x600000 || tcp.analysis.flags"))
                .isEmpty();
        List<String> protocols = analysed(trace, "-T", "fields", "-e", "_ws.col.Protocol");
        assertThat(protocols).filteredOn(p -> p.contains("UDS")).hasSizeGreaterThan(10);
        assertThat(protocols).allMatch(p -> p.matches(".*(UDS|ISO15765|DoIP|TCP).*"));
    }

    @Test
    void tester_ofOthers_talksToTheStandIn() throws Exception {
        SimulatedVehicle.World world = SimulatedVehicle.World.now(new Authority().publicKey());
        Pack pack = PackFiles.named("brennick-lorne");
        RunningVehicle.Doors doors = new RunningVehicle.Doors(Optional.empty(), Optional.of(0), 0);
        try (RunningVehicle vehicle = new RunningVehicle(Conditions.standard(pack), doors, 1, world)) {
            List<String> answers = lines(List.of(
                    "/usr/bin/python3", SCRIPTS.resolve("tester.py").toString(), String.valueOf(vehicle.doipPort())));
            assertThat(answers).contains("present 7E00", "unknown 7F2231", "session 5003003201F4", "faults 590209");
            assertThat(answers).anyMatch(a -> a.startsWith("vin 62F19030424B4C52334134364D4E303034313237"));
            assertThat(answers).anyMatch(a -> a.matches("seed 6701[0-9A-F]{8}"));
        }
    }

    @Test
    void client_ofOurs_talksToAnEntityOfOthers() throws Exception {
        Process entity = new ProcessBuilder(
                        "/usr/bin/python3", SCRIPTS.resolve("entity.py").toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(entity.getInputStream(), StandardCharsets.US_ASCII))) {
            String where = "127.0.0.1:" + out.readLine();
            ByteArrayOutputStream said = new ByteArrayOutputStream();
            assertThat(run(said, "uds", "--doip", where, "--address", "0x1040", "22 F1 90"))
                    .isZero(); // after a pending
            assertThat(said.toString(StandardCharsets.UTF_8)).contains("0TVCH5E12SN000318");
            assertThat(run(said, "uds", "--doip", where, "--address", "0x1040", "3E 00"))
                    .isZero();
            assertThat(run(said, "uds", "--doip", where, "--address", "0x1040", "14 FF FF FF"))
                    .isEqualTo(1);
            assertThat(said.toString(StandardCharsets.UTF_8)).contains("does not know this service");
        } finally {
            entity.destroyForcibly();
        }
    }
}
