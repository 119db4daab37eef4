package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackResult;
import codrane.core.scan.ModuleReading;
import codrane.link.doip.DoipLink;
import codrane.link.scan.ObdReader;
import codrane.link.scan.VehicleScanner;
import codrane.link.trace.TraceDecoder;
import codrane.link.trace.TraceLine;
import codrane.link.trace.TraceRing;
import codrane.link.uds.CanLink;
import codrane.standin.control.RunningVehicle;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The taxi with extended addressing: every request has one identifier, the first octet says whose it is. */
class ExtendedAddressingTest {
    private static final Pack DUNLIN = TestPacks.load("peregil-dunlin");
    private static final Pack EXTENDED = variant();
    private static final Waits WAITS = new Waits(Duration.ofSeconds(2), Duration.ofSeconds(5));

    /** The shipped pack with another link, as docs/packs.md shows it. */
    private static Pack variant() {
        try {
            String yaml = Files.readString(Path.of("..", "packs", "peregil-dunlin.yaml"));
            String link = "link: { kind: can, bitrate: 250000, ids: 11, request: { base: 0x6A0, times: 0 }, "
                    + "response: { base: 0x500, times: 1 }, functional: 0x6A0, addresses: { tester: 0xE1, all: 0xEF } }";
            String changed = yaml.replaceFirst("(?m)^link: .*$", link);
            assertThat(changed).isNotEqualTo(yaml);
            return ((PackResult.Loaded) PackLoader.load("peregil-dunlin", changed)).pack();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Map<String, ModuleReading> scan(Pack pack) {
        return new VehicleScanner(new VirtualWorkshop(Conditions.standard(pack)).link(), pack).scan(r -> {});
    }

    @Test
    void scan_everyModule_readsAsWithOrdinaryAddresses() {
        assertThat(scan(EXTENDED)).isEqualTo(scan(DUNLIN));
    }

    @Test
    void requestAll_everyModuleAnswersOnce() {
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.standard(EXTENDED));
        assertThat(workshop.link().requestAll(codrane.core.octets.Bytes.parse("3E00"), WAITS))
                .extracting(codrane.link.DiagnosticLink.Heard::address)
                .containsExactlyInAnyOrderElementsOf(EXTENDED.modules().values().stream()
                        .map(PackModule::address)
                        .toList());
    }

    @Test
    void run_programmingOverIt_isDone() {
        PackModule steering = EXTENDED.module("steering");
        SimulatedRun.End end = SimulatedRun.of(
                EXTENDED,
                "steering",
                VirtualWorkshop.content(steering),
                steering.software().current(),
                List.of());
        assertThat(end.outcome()).isEqualTo(SimulatedRun.Outcome.DONE);
    }

    @Test
    void trace_namesTheModuleByTheFirstOctet() {
        TraceRing trace = new TraceRing(10_000);
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.standard(EXTENDED), trace);
        new VehicleScanner(workshop.link(), EXTENDED).read(EXTENDED.module("steering"));
        List<TraceLine> lines = TraceDecoder.decode(EXTENDED, trace.events());
        assertThat(lines).hasSizeGreaterThan(6);
        assertThat(lines).extracting(TraceLine::module).containsOnly("Steering");
        assertThat(lines).extracting(TraceLine::kind).doesNotContain(TraceLine.Kind.BROKEN);
    }

    @Test
    void sockets_straightAndThroughTheEdgeNode_readTheSame() throws IOException {
        Map<String, ModuleReading> inProcess = scan(EXTENDED);
        try (RunningVehicle vehicle = Running.onCan(Conditions.standard(EXTENDED), 10);
                CanLink link = CanLink.open("127.0.0.1", vehicle.canPort(), (PackLink.Can) EXTENDED.link())) {
            assertThat(new VehicleScanner(link, EXTENDED).scan(r -> {})).isEqualTo(inProcess);
        }
        try (RunningVehicle vehicle = Running.onDoip(Conditions.standard(EXTENDED), 10);
                DoipLink link = DoipLink.open("127.0.0.1", vehicle.doipPort(), PackLink.Doip.STANDARD)) {
            assertThat(new VehicleScanner(link, EXTENDED).scan(r -> {})).isEqualTo(inProcess);
        }
    }

    /** What the law asks for is spoken with ordinary addresses, whatever the maker does. */
    @Test
    void legislated_readsAsEver() throws IOException {
        try (RunningVehicle vehicle = Running.onCan(Conditions.standard(EXTENDED), 10);
                CanLink link =
                        CanLink.open("127.0.0.1", vehicle.canPort(), ((PackLink.Can) EXTENDED.link()).legislated())) {
            assertThat(new ObdReader(link).read())
                    .isNotEmpty()
                    .allSatisfy(reading -> assertThat(reading.vin())
                            .contains(Conditions.standard(EXTENDED).vin().text()));
        }
    }
}
