package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.scan.ObdReading;
import codrane.link.scan.ObdReader;
import codrane.link.time.VirtualTime;
import codrane.link.uds.CanLink;
import codrane.standin.vehicle.Setup;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Legislated diagnostics: over the standard identifiers on CAN, and by address on DoIP. */
class ObdTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");

    private static List<ObdReading> read(Pack pack, Setup setup) {
        VirtualWorkshop workshop = new VirtualWorkshop(setup);
        PackLink.Can law = ((PackLink.Can) pack.link()).legislated();
        VirtualTime time = workshop.time();
        return new ObdReader(CanLink.on(time, workshop.bus().attach(), law)).read();
    }

    @Test
    void read_healthyVehicle_givesVinCalibrationsAndNumbers() {
        List<ObdReading> readings = read(LORNE, Setup.healthy(LORNE, Conditions.LORNE));
        assertThat(readings).hasSize(2);
        ObdReading engine = readings.getFirst();
        assertThat(engine.vin()).contains(Conditions.LORNE.text());
        assertThat(engine.calibrations()).containsExactly("BK41210-412", "BK41210-OBD");
        assertThat(engine.verificationNumbers()).hasSize(2).allMatch(n -> n.matches("[0-9A-F]{8}"));
        assertThat(engine.stored()).isEmpty();
        assertThat(engine.lampOn()).isFalse();
    }

    @Test
    void read_storedFault_isThereAndLightsTheLamp() {
        ObdReading engine = read(LORNE, Setup.healthy(LORNE, Conditions.LORNE).withFault("engine", "P1A93-00"))
                .getFirst();
        assertThat(engine.stored()).containsExactly("P1A93");
        assertThat(engine.lampOn()).isTrue();
        assertThat(engine.pending()).isEmpty();
        assertThat(engine.permanent()).isEmpty();
    }

    @Test
    void read_canFdWith29Bit_answersToo() {
        Pack gannet = TestPacks.load("ardwyn-gannet");
        assertThat(read(gannet, Setup.healthy(gannet, Conditions.GANNET)))
                .extracting(r -> r.calibrations().getFirst())
                .containsExactly("AW71010-92", "AW71120-51");
    }

    @Test
    void clear_storedFaults_areGone() {
        Asking engine = new Asking(Setup.healthy(LORNE, Conditions.LORNE).withFault("engine", "P1A93-00"), "engine");
        assertThat(engine.ask("03")).isEqualTo("43011A93");
        assertThat(engine.ask("04")).isEqualTo("44");
        assertThat(engine.ask("03")).isEqualTo("4300");
    }

    @Test
    void current_data_tellsWhatIsSupportedAndVoltageAndEngineSpeed() {
        Asking engine = new Asking(Setup.healthy(LORNE, Conditions.LORNE), "engine");
        assertThat(engine.ask("0100")).isEqualTo("4100" + "80100003"); // 01, 0C, 1F, and more behind 20
        assertThat(engine.ask("010C")).isEqualTo("410C0000");
        engine.workshop.vehicle().key(codrane.standin.vehicle.SimulatedVehicle.Key.RUNNING);
        assertThat(engine.ask("010C")).isEqualTo("410C0C30");
        assertThat(Bytes.parse(engine.ask("0142")).u16(2)).isBetween(13_000, 14_500);
        assertThat(engine.ask("0155")).isEqualTo("silent");
        assertThat(engine.also("doors").ask("0100")).isEqualTo("7F0111");
    }
}
