package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.link.doip.DoipLink;
import codrane.link.scan.VehicleScanner;
import codrane.standin.control.RunningVehicle;
import codrane.standin.vehicle.Setup;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The gritter speaks CAN FD; over DoIP it is reached through an edge node on its bus. */
class EdgeNodeTest {
    private static final Pack GANNET = TestPacks.load("ardwyn-gannet");
    private static final Waits WAITS = new Waits(Duration.ofSeconds(2), Duration.ofSeconds(5));

    @Test
    void scan_throughTheEdgeNode_isTheSameAsOnTheBus() throws IOException {
        Setup setup = Conditions.standard(GANNET);
        try (RunningVehicle vehicle = Running.onDoip(setup, 10);
                DoipLink link = DoipLink.open("127.0.0.1", vehicle.doipPort(), PackLink.Doip.STANDARD)) {
            Map<String, ModuleReading> overDoip = new VehicleScanner(link, GANNET).scan(r -> {});
            Map<String, ModuleReading> onBus =
                    new VehicleScanner(new VirtualWorkshop(setup).link(), GANNET).scan(r -> {});
            assertThat(overDoip).isEqualTo(onBus);
            assertThat(overDoip.get("spreader").presence()).isEqualTo(ModuleReading.Presence.BOOT_ONLY);
        }
    }

    @Test
    void requestAll_throughTheEdgeNode_everyModuleAnswers() throws IOException {
        try (RunningVehicle vehicle = Running.onDoip(Conditions.standard(GANNET), 10);
                DoipLink link = DoipLink.open("127.0.0.1", vehicle.doipPort(), PackLink.Doip.STANDARD)) {
            assertThat(link.requestAll(Bytes.parse("3E00"), WAITS))
                    .hasSize(GANNET.modules().size())
                    .allMatch(h -> h.reply() instanceof Reply.Positive);
        }
    }
}
