package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.ResponseCode.Known;
import codrane.link.DiagnosticLink;
import codrane.link.doip.DoipLink;
import codrane.link.uds.CanLink;
import codrane.standin.control.RunningVehicle;
import codrane.standin.vehicle.Setup;
import java.io.IOException;
import java.time.Duration;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What every diagnostic link promises, on each adapter: in process and over sockets, CAN, CAN FD and DoIP. */
class LinkContractTest {
    /** Patient: over sockets the machine may be busy. */
    private static final Waits WAITS = new Waits(Duration.ofSeconds(2), Duration.ofSeconds(5));

    private static final int BODY = 0x40;
    private static final int NOBODY = 0x99;

    /** A link to a healthy vehicle, and what must be closed afterwards. */
    record Open(DiagnosticLink link, Pack pack, AutoCloseable behind) {}

    interface Opener {
        Open open(Pack pack) throws IOException;
    }

    record Kind(String name, String pack, Opener opener) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static Setup healthy(Pack pack) {
        return Setup.healthy(pack, Conditions.standard(pack).vin());
    }

    private static Open inProcess(Pack pack) {
        return new Open(new VirtualWorkshop(healthy(pack)).link(), pack, () -> {});
    }

    private static Open overCan(Pack pack) throws IOException {
        RunningVehicle vehicle = Running.onCan(healthy(pack), 10);
        return new Open(CanLink.open("127.0.0.1", vehicle.canPort(), (PackLink.Can) pack.link()), pack, vehicle);
    }

    private static Open overDoip(Pack pack) throws IOException {
        RunningVehicle vehicle = Running.onDoip(healthy(pack), 10);
        return new Open(DoipLink.open("127.0.0.1", vehicle.doipPort(), PackLink.Doip.STANDARD), pack, vehicle);
    }

    private static Stream<Kind> kinds() {
        return Stream.of(
                new Kind("CAN in process", "brennick-lorne", LinkContractTest::inProcess),
                new Kind("CAN FD in process", "ardwyn-gannet", LinkContractTest::inProcess),
                new Kind("DoIP in process", "tolvane-chorus", LinkContractTest::inProcess),
                new Kind("CAN over a socket", "peregil-dunlin", LinkContractTest::overCan),
                new Kind("CAN FD over a socket", "ardwyn-gannet", LinkContractTest::overCan),
                new Kind("DoIP over a socket", "tolvane-wisp", LinkContractTest::overDoip),
                new Kind("DoIP through an edge node", "ardwyn-gannet", LinkContractTest::overDoip));
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void link_keepsItsPromises(Kind kind) throws Exception {
        Open open = kind.opener().open(TestPacks.load(kind.pack()));
        try (DiagnosticLink link = open.link()) {
            String vin = Conditions.standard(open.pack()).vin().text();
            assertThat(link.request(BODY, Bytes.parse("22F190"), WAITS))
                    .isEqualTo(new Reply.Positive(Bytes.parse("62F190").plus(Bytes.ascii(vin))));
            assertThat(link.request(BODY, Bytes.parse("22FFFF"), WAITS))
                    .isEqualTo(new Reply.Refused(Known.REQUEST_OUT_OF_RANGE.code()));
            assertThat(link.request(NOBODY, Bytes.parse("3E00"), WAITS)).isInstanceOf(Reply.Silent.class);
            link.tell(BODY, Bytes.parse("3E80")); // is not answered, and disturbs nothing
            assertThat(link.request(BODY, Bytes.parse("3E00"), WAITS))
                    .isEqualTo(new Reply.Positive(Bytes.parse("7E00")));
            assertThat(link.requestAll(Bytes.parse("22F190"), WAITS))
                    .hasSize(open.pack().modules().size())
                    .allMatch(heard -> heard.reply() instanceof Reply.Positive);
            assertThat(link.lost()).isFalse();
        } finally {
            open.behind().close();
        }
    }
}
