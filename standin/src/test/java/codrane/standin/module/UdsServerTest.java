package codrane.standin.module;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.link.DiagnosticLink.Heard;
import codrane.standin.Asking;
import codrane.standin.Conditions;
import codrane.standin.TestPacks;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The standard's answers: order of refusals, sessions, security, suppression, functional silence. */
class UdsServerTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private static final Waits WAITS = new Waits(Duration.ofMillis(50), Duration.ofSeconds(5));

    private static Asking healthy(String module) {
        return new Asking(Setup.healthy(LORNE, Conditions.LORNE), module);
    }

    @ParameterizedTest
    @CsvSource({
        "2E, 7F2E7F", // unknown in this session comes before everything else about the request
        "2EF190, 7F2E7F",
        "27, 7F277F",
        "34, 7F347F",
        "BA01, 7FBA11", // no such service at all
        "3E, 7F3E13", // too short, before its sub-function is judged
        "3E01, 7F3E12",
        "1104, 7F1112",
        "1101FF, 7F1113",
        "1005, 7F1012",
        "100100, 7F1013",
        "19, 7F1913",
        "1955FF, 7F1912",
        "190200FF, 7F1913",
        "1904B1A05501, 7F1931",
        "22F1, 7F2213",
        "2212, 7F2213",
        "22FFFF, 7F2231",
        "2400, 7F2413",
        "24FFFF, 7F2431",
        "2F016103, 7F2F7F",
        "280001, 7F287F",
        "8702, 7F877F"
    })
    void refuse_defaultSession_inTheStandardsOrder(String request, String answer) {
        assertThat(healthy("tail-lift").ask(request)).isEqualTo(answer);
    }

    @ParameterizedTest
    @CsvSource({
        "2EF1, 7F2E33", // locked comes before the length
        "2EF190, 7F2E33",
        "34004400, 7F347F", // programming session only
        "2302, 7F2333",
        "3D02, 7F3D33",
        "2703, 7F2712",
        "270100, 7F2713",
        "27020102, 7F2713",
        "2F0160030000, 7F2F31", // can't be adjusted
        "2801, 7F2813",
        "280107, 7F2831",
        "8701FF, 7F8731", // no such rate on this bus
        "8703, 7F8724", // not verified before
        "8503, 7F8512",
        "3101FFFF, 7F3131",
        "3104FF00, 7F3112",
        "2C01F2000120, 7F2C13",
        "2C01F100012001 01, 7F2C31", // not an identifier that may be defined
        "2C01F200FFFF0101, 7F2C31",
        "2C03F2AA, 7F2C31"
    })
    void refuse_extendedSession_inTheStandardsOrder(String request, String answer) {
        Asking lift = healthy("tail-lift");
        lift.ask("1003");
        assertThat(lift.ask(request)).isEqualTo(answer);
    }

    @Test
    void session_control_tellsItsTimesAndRefusesProgrammingWithTheEngineRunning() {
        Asking lift = healthy("tail-lift");
        assertThat(lift.ask("1003")).isEqualTo("5003003201F4");
        lift.workshop.vehicle().key(Key.RUNNING);
        assertThat(lift.ask("1002")).isEqualTo("7F1022");
        assertThat(healthy("brakes").ask("1002")).isEqualTo("7F1012"); // has no flash memory
    }

    @Test
    void suppress_positiveAnswerIsLeftOut_refusalIsNot() {
        Asking lift = healthy("tail-lift");
        assertThat(lift.ask("3E80")).isEqualTo("silent");
        assertThat(lift.ask("1083")).isEqualTo("silent");
        assertThat(lift.ask("2701")).startsWith("6701"); // so the session was entered
        assertThat(lift.ask("3E81")).isEqualTo("7F3E12");
    }

    @Test
    void suppress_afterPending_theAnswerComesAllTheSame() {
        Asking lift = healthy("tail-lift");
        lift.workshop.vehicle().server("tail-lift").orElseThrow().disturbance().storm(3);
        assertThat(lift.ask("3E80")).isEqualTo("7E00");
    }

    @Test
    void functional_modulesThatDoNotKnowTheRequest_areSilent() {
        Asking lift = healthy("tail-lift");
        List<Heard> identified = lift.workshop.link().requestAll(Bytes.parse("22F190"), WAITS);
        assertThat(identified).hasSize(LORNE.modules().size()).allMatch(h -> h.reply() instanceof Reply.Positive);
        assertThat(lift.workshop.link().requestAll(Bytes.parse("220160"), WAITS)) // only the lift has a tilt
                .singleElement()
                .extracting(Heard::address)
                .isEqualTo(lift.module.address());
        assertThat(lift.workshop.link().requestAll(Bytes.parse("BA00"), WAITS)).isEmpty();
        assertThat(lift.workshop.link().requestAll(Bytes.parse("3E"), WAITS)) // a wrong length is told
                .hasSize(LORNE.modules().size());
        assertThat(lift.workshop.link().requestAll(Bytes.parse("3E80"), WAITS)).isEmpty();
    }

    @Test
    void functional_communicationOff_isNoLostModule() {
        Asking lift = healthy("tail-lift");
        lift.workshop.link().requestAll(Bytes.parse("1083"), WAITS);
        assertThat(lift.workshop.link().requestAll(Bytes.parse("288301"), WAITS))
                .isEmpty();
        assertThat(lift.also("instruments").ask("1902FF")).isEqualTo("590209");
    }

    @Test
    void security_threeWrongKeys_locksForTenSecondsAndOutlivesTheSession() {
        Asking lift = healthy("tail-lift");
        lift.ask("1003");
        for (String expected : List.of("7F2735", "7F2735", "7F2736")) {
            lift.ask("2701");
            assertThat(lift.ask("270200000000")).isEqualTo(expected);
        }
        assertThat(lift.ask("2701")).isEqualTo("7F2737");
        lift.ask("1001");
        lift.ask("1003");
        assertThat(lift.ask("2701")).isEqualTo("7F2737");
        lift.wait(Duration.ofSeconds(11));
        lift.ask("1003");
        assertThat(lift.ask("2701")).startsWith("6701");
    }

    @Test
    void security_unlocked_givesAZeroSeedUntilTheSessionEnds() {
        Asking lift = healthy("tail-lift").unlocked(3);
        assertThat(lift.ask("2701")).isEqualTo("670100000000");
        lift.ask("1001");
        lift.ask("1003");
        assertThat(lift.ask("2701")).isNotEqualTo("670100000000").startsWith("6701");
    }

    @Test
    void reset_module_isSilentUntilBooted() {
        Asking lift = healthy("tail-lift").unlocked(3);
        assertThat(lift.ask("1101")).isEqualTo("5101");
        lift.wait(Duration.ofMillis(50));
        assertThat(lift.ask("3E00")).isEqualTo("silent");
        lift.wait(Duration.ofMillis(1500));
        assertThat(lift.ask("3E00")).isEqualTo("7E00");
        assertThat(lift.ask("2701")).isEqualTo("7F277F"); // back in the default session
    }

    @Test
    void linkControl_rateOfTheBus_isVerifiedThenTaken() {
        Asking lift = healthy("tail-lift");
        lift.ask("1003");
        assertThat(lift.ask("870112")).isEqualTo("C701");
        assertThat(lift.ask("8703")).isEqualTo("C703");
        assertThat(lift.ask("8703")).isEqualTo("7F8724");
    }

    @Test
    void disturbance_wrongAnswer_isWrongAsOftenAsAsked() {
        Asking lift = healthy("tail-lift");
        String right = lift.ask("22F18C");
        lift.workshop.vehicle().server("tail-lift").orElseThrow().disturbance().answerWrongly(1);
        assertThat(lift.ask("22F18C")).isNotEqualTo(right).startsWith("62F18C");
        assertThat(lift.ask("22F18C")).isEqualTo(right);
    }

    @Test
    void condition_deadParts_behaveAsTheyAre() {
        Setup setup = Setup.healthy(LORNE, Conditions.LORNE);
        Asking burnt = new Asking(setup.with("tail-lift", setup.of("tail-lift").in(Part.Health.BURNT)), "tail-lift");
        assertThat(burnt.ask("3E00")).isEqualTo("silent");
        assertThat(burnt.also("instruments").faults().keySet()).asString().contains("U1167-00");
        Asking half = new Asking(setup.with("tail-lift", setup.of("tail-lift").in(Part.Health.HALF_DEAD)), "tail-lift");
        assertThat(half.ask("22F190")).startsWith("62F190");
        half.unlocked(3);
        assertThat(half.ask(
                        new UdsRequest.WriteDataByIdentifier(0xF190, Bytes.ascii(Conditions.LORNE.text())).encode()))
                .isInstanceOf(Reply.Refused.class);
    }

    @Test
    void condition_uncodedPart_showsItselfUntilCoded() {
        Pack gannet = TestPacks.load("ardwyn-gannet");
        Asking spreader = new Asking(Conditions.blankSpreader(gannet), "spreader");
        assertThat(spreader.workshop.vehicle().look().get("shows")).isEqualTo(List.of("the hopper lamp flashes"));
        assertThat(spreader.faults().keySet()).asString().contains("B3F04-54", "U1300-00", "B3F12-41");
        assertThat(new codrane.standin.Scenes(spreader.workshop)
                        .program("spreader")
                        .good())
                .isTrue();
        assertThat(spreader.workshop.vehicle().look().get("shows")).isEqualTo(List.of());
    }

    @Test
    void condition_notMounted_isAFaultOfItsOwnAndAllElseWorks() {
        Pack almery = TestPacks.load("brennick-almery");
        Setup setup = Setup.healthy(almery, Conditions.ALMERY);
        Asking radar = new Asking(
                setup.with("front-radar", setup.of("front-radar").in(Part.Health.NOT_MOUNTED)), "front-radar");
        assertThat(radar.ask("22F190")).startsWith("62F190");
        assertThat(radar.faults().keySet()).asString().contains("C1A32-78");
    }
}
