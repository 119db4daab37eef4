package codrane.bench;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.coding.LineSheet;
import codrane.core.gateway.AccessGrant;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import codrane.core.uds.MessageText;
import codrane.core.vin.VinCheck;
import codrane.core.vin.VinRule;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.CanText;
import codrane.link.can.SimulatedBus;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipStream;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpFrame;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.VirtualTime;
import codrane.link.trace.TraceDecoder;
import codrane.link.trace.TraceEvent;
import codrane.link.trace.TraceText;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import codrane.standin.fault.FaultSpec;
import codrane.standin.vehicle.Setup;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * Every decoder against damaged input: nothing but its declared results, in bounded time and memory. Briefly in each
 * build; {@code ./codrane test --fuzz} takes a million inputs each, packs 20,000.
 */
class FuzzTest {
    private static final int INPUTS = Integer.getInteger("codrane.fuzz", 5_000);
    private static final int MOST_PACKS = 20_000;
    private static final String[] REQUESTS = {
        "1003",
        "1101",
        "14FFFFFF",
        "1902FF",
        "1904D3010001",
        "22F190F18C",
        "234400080010000000FF",
        "240160",
        "270211223344",
        "280301",
        "2C01F2F1F1900C06",
        "2EF190" + "30".repeat(17),
        "2F01610300C8",
        "3101FF00",
        "340044000800000010" + "0000",
        "3601AABBCC",
        "37",
        "3D2400FF00000003AABBCC",
        "3E80",
        "8502",
        "870112",
        "0902"
    };
    private static final String[] DOIP = {
        "02FD000100000000",
        "02FD0003000000113054565750324536",
        "02FD0005000000070E000000000000",
        "02FD8001000000070E00104022F190",
        "02FD80020000000510400E0000",
        "02FD4002000000070004010000FFFF",
        "02FD000400000021" + "30".repeat(33)
    };

    private static Pack lorne() throws IOException {
        return ((PackResult.Loaded) PackLoader.load("lorne", text())).pack();
    }

    private static String text() throws IOException {
        return Files.readString(Path.of("..", "packs", "brennick-lorne.yaml"));
    }

    @Test
    void calibrationFiles() {
        byte[] data = new byte[70];
        String hex = new String(CalibrationWriter.intelHex(CalibrationWriter.image(0x1FFF0, data)), US_ASCII);
        String records = new String(CalibrationWriter.sRecord(CalibrationWriter.image(0x8000, data)), US_ASCII);
        Mutations inputs = Mutations.ofTexts(1, hex, records, ":00000001FF\n", "S0030000FC\nS9030000FC\n");
        for (int i = 0; i < INPUTS; i++)
            assertThat(CalibrationFile.read(Source.of(inputs.next().toArray()))).isNotNull();
    }

    @Test
    void lineSheets_vins_grants_faultSpecs() {
        Mutations lines = Mutations.ofTexts(2, "LFT/201  00 11 22 33 44 55 66 77 | 4C\n", "DOR/01  FF | 35\n");
        Mutations vins = Mutations.ofTexts(3, "0BKLR3A46MN004127", "0TVWP2E67TN002240", "ößÄ\u0000\uFFFF");
        Mutations grants =
                Mutations.ofTexts(4, "0BKLR3A46MN004127|PLV2-204417|Pierhead Yard|tech|1772438400|1772442000");
        Mutations specs =
                Mutations.ofTexts(5, "drop:count=5,id=4CE", "power-loss:module=tail-lift,block=200", "sag:volts=1e9");
        for (int i = 0; i < INPUTS; i++) {
            assertThat(LineSheet.parse(lines.nextText(), "LFT", 8)).isNotNull();
            assertThat(VinCheck.of(vins.nextText(), VinRule.UNKNOWN_MAKER)).isNotNull();
            assertThat(AccessGrant.parse(grants.nextText())).isNotNull();
            assertThat(FaultSpec.parse(specs.nextText())).isNotNull();
        }
    }

    @Test
    void signedGrants() {
        String text = Bytes.ascii("0BKLR3A46MN004127|PLV2-204417|Yard|tech|1772438400|1772442000")
                .hex();
        Mutations inputs =
                Mutations.ofHex(6, "003D" + text + "0000" + "0003AABBCC", "003D" + text + "000411223344" + "0000");
        for (int i = 0; i < INPUTS; i++)
            assertThat(SignedGrant.decode(inputs.next())).isNotNull();
    }

    @Test
    void packs() throws IOException {
        // of the many small settings below the mark one is like another
        String byHand = text().replaceFirst("(?s)  # made from vocabulary.*?(?=\nfaults:)", "");
        Mutations inputs = Mutations.ofTexts(7, byHand);
        for (int i = 0; i < Math.min(MOST_PACKS, INPUTS / 20); i++)
            assertThat(PackLoader.load("x.yaml", inputs.nextText())).isNotNull();
    }

    @Test
    void frames_andTheirText() {
        Mutations lines =
                Mutations.ofTexts(8, "(12.000345) 448#0322F190CCCCCCCC", "18DA40F1##1" + "5A".repeat(64), "448##0AA");
        Mutations frames = Mutations.ofHex(
                9, "0322F190CCCCCCCC", "101462F190304250", "2101020304050607", "3008F3", "003E" + "5A".repeat(62));
        for (int i = 0; i < INPUTS; i++) {
            assertThat(CanText.parse(lines.nextText())).isNotNull();
            assertThat(IsoTpFrame.decode(frames.next(), i & 1)).isNotNull();
        }
    }

    @Test
    void doipMessages_andStreams() throws IOException {
        Mutations inputs = Mutations.ofHex(10, DOIP);
        for (int i = 0; i < INPUTS; i++) {
            Bytes octets = inputs.next();
            assertThat(DoipMessage.decode(octets)).isNotNull();
            DoipStream stream = new DoipStream(new ByteArrayInputStream(octets.toArray()));
            for (int n = 0; n < 20 && !(stream.next() instanceof DoipStream.Arrival.End); n++) {}
        }
    }

    @Test
    void traces() throws IOException {
        Pack pack = lorne();
        Mutations lines = Mutations.ofTexts(
                11,
                "(0.000100) 4CE#0322F190CCCCCCCC",
                "(0.000400) 4CF#1014 62F190304250",
                "(0.5) tester 02FD8001000000070E00104022F190");
        List<TraceEvent> events = new ArrayList<>();
        for (int i = 0; i < INPUTS; i++) {
            TraceText.parse(lines.nextText()).ifPresent(events::add);
            if (events.size() == 50) {
                assertThat(TraceDecoder.decode(pack, events)).isNotNull();
                events.clear();
            }
        }
    }

    @Test
    void messagesInWords() {
        MessageText text = new MessageText(Map.of(0xF190, "VIN"));
        Mutations inputs = Mutations.ofHex(12, REQUESTS);
        for (int i = 0; i < INPUTS; i++) assertThat(text.of(inputs.next())).isNotNull();
    }

    /** Frames of every kind reach an endpoint in the middle of its work; afterwards it still works. */
    @Test
    void isoTpEndpoint_anyFrames() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
        CanPort port = bus.attach();
        List<Bytes> received = new ArrayList<>();
        IsoTpEndpoint endpoint =
                new IsoTpEndpoint(time, port, IsoTpAddressing.normal(0x4CF, 0x4CE, false), IsoTpSettings.STANDARD);
        endpoint.onMessage(received::add);
        port.listen(endpoint::onFrame);
        Mutations frames =
                Mutations.ofHex(13, "0322F190CCCCCCCC", "101462F190304250", "2101020304050607", "300000", "310000");
        for (int i = 0; i < INPUTS; i++) {
            Bytes data = frames.next();
            if (data.length() <= 8) endpoint.onFrame(new CanFrame(0x4CE, false, data));
            if (i % 16 == 0) endpoint.send(Bytes.filled(1 + i % 40, i & 0xFF), outcome -> {});
            if (i % 64 == 0) time.advance(Duration.ofMillis(400));
            if (received.size() > 1000) received.clear();
        }
        time.advance(Duration.ofSeconds(5));
        received.clear();
        endpoint.onFrame(new CanFrame(0x4CE, false, Bytes.parse("023E00")));
        assertThat(received).containsExactly(Bytes.parse("3E00"));
    }

    /** Requests of every kind reach a module; it answers or is silent, and keeps what must not be changed unasked. */
    @Test
    void udsServer_anyRequests() throws IOException {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(lorne(), Conditions.LORNE));
        Mutations inputs = Mutations.ofHex(14, REQUESTS);
        int lift = 0x67;
        for (int i = 0; i < INPUTS; i++) {
            Bytes request = inputs.next();
            workshop.vehicle()
                    .request(
                            lift,
                            request,
                            i % 8 == 0,
                            response -> assertThat(response.length()).isBetween(1, 4095));
            workshop.time().advance(Duration.ofMillis(i % 100 == 0 ? 6000 : 5));
        }
        workshop.time().advance(Duration.ofSeconds(10));
        Map<?, ?> modules = (Map<?, ?>) workshop.vehicle().look().get("modules");
        assertThat(((Map<?, ?>) modules.get("tail-lift")).get("vin")).isEqualTo(Conditions.LORNE.text());
        List<Bytes> answers = new ArrayList<>();
        workshop.vehicle().request(lift, Bytes.parse("3E00"), false, answers::add);
        workshop.time().advance(Duration.ofSeconds(1));
        assertThat(answers).containsExactly(Bytes.parse("7E00"));
    }
}
