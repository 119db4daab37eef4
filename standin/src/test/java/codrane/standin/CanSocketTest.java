package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import codrane.link.uds.CanLink;
import codrane.standin.control.ControlPort;
import codrane.standin.control.RunningVehicle;
import codrane.standin.control.SimulatedTool;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The vehicle on CAN behind its hub, over real sockets. */
class CanSocketTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private static final PackLink.Can ADDRESSING = (PackLink.Can) LORNE.link();

    private static String post(ControlPort control, String path) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + control.port() + path))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofString())
                .body();
    }

    @Test
    void scan_overSockets_isTheSameAsInVirtualTime() throws Exception {
        try (RunningVehicle vehicle = Running.onCan(Conditions.usedTailLift(LORNE), 10);
                CanLink link = CanLink.open("127.0.0.1", vehicle.canPort(), ADDRESSING)) {
            Map<String, ModuleReading> overSockets = new VehicleScanner(link, LORNE).scan(r -> {});
            Map<String, ModuleReading> inProcess =
                    new VehicleScanner(new VirtualWorkshop(Conditions.usedTailLift(LORNE)).link(), LORNE).scan(r -> {});
            assertThat(overSockets).isEqualTo(inProcess);
        }
    }

    @Test
    void control_dropCutAndKey_disturbAsTheySay() throws Exception {
        var body = LORNE.module("body");
        try (RunningVehicle vehicle = Running.onCan(Conditions.usedTailLift(LORNE), 10);
                ControlPort control = new ControlPort(SimulatedTool.fixedTo(vehicle), 0)) {
            CanLink link = CanLink.open("127.0.0.1", vehicle.canPort(), ADDRESSING);
            post(control, "/drop/1");
            assertThat(link.request(body.address(), Bytes.parse("3E00"), VehicleScanner.waits(body)))
                    .isInstanceOf(Reply.Silent.class);
            assertThat(link.request(body.address(), Bytes.parse("3E00"), VehicleScanner.waits(body)))
                    .isInstanceOf(Reply.Positive.class);
            assertThat(post(control, "/key/off")).contains("\"key\":\"off\"");
            var lift = LORNE.module("tail-lift");
            assertThat(link.request(lift.address(), Bytes.parse("3E00"), VehicleScanner.waits(body)))
                    .isInstanceOf(Reply.Silent.class);
            assertThat(post(control, "/dance")).contains("not known here");
            post(control, "/cut");
            assertThrows(LinkLostException.class, () -> {
                for (int i = 0; i < 3; i++)
                    link.request(body.address(), Bytes.parse("3E00"), VehicleScanner.waits(body));
            });
        }
    }
}
