package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.vin.VinComparison.Verdict;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.can.FrameFault.Fate;
import codrane.link.run.RunJournal;
import codrane.link.scan.VehicleScanner;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The tester against the simulated vehicle, over the simulated bus, in virtual time. */
class VirtualWorkshopTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");

    private static Map<String, ModuleReading> scan(VirtualWorkshop workshop) {
        return new VehicleScanner(workshop.link(), workshop.vehicle().pack()).scan(reading -> {});
    }

    private static Reply ask(VirtualWorkshop workshop, String module, String request) {
        PackModule m = LORNE.module(module);
        return workshop.link().request(m.address(), Bytes.parse(request), VehicleScanner.waits(m));
    }

    private static Object looked(VirtualWorkshop workshop, String module, String what) {
        Map<?, ?> modules = (Map<?, ?>) workshop.vehicle().look().get("modules");
        return ((Map<?, ?>) modules.get(module)).get(what);
    }

    @Test
    void restart_ofAModuleWhoseVehicleTurnsItsKey_leavesItSilentSoLong() {
        Pack gannet = TestPacks.load("ardwyn-gannet");
        PackModule engine = gannet.module("engine");
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(gannet, Conditions.GANNET));
        Waits waits = VehicleScanner.waits(engine);
        workshop.link().request(engine.address(), Bytes.of(0x11, 1), waits);
        workshop.time().advance(Duration.ofSeconds(2));
        assertThat(workshop.vehicle().key()).isEqualTo(Key.OFF);
        assertThat(workshop.link().request(engine.address(), Bytes.of(0x3E, 0), waits))
                .isInstanceOf(Reply.Silent.class);
        workshop.time().advance(engine.traits().turnsKey());
        assertThat(workshop.vehicle().key()).isEqualTo(Key.ON);
        assertThat(workshop.link().request(engine.address(), Bytes.of(0x3E, 0), waits))
                .isInstanceOf(Reply.Positive.class);
    }

    @Test
    void scan_healthyVehicle_agreesAndHasNoFaults() {
        Map<String, ModuleReading> readings = scan(new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE)));
        AgreementMatrix matrix = AgreementMatrix.of(LORNE, Conditions.LORNE, readings);
        assertThat(matrix.vins().verdict()).isEqualTo(Verdict.ALL_AGREE);
        assertThat(matrix.rows())
                .noneMatch(AgreementMatrix.Row::differs)
                .allMatch(r -> r.faults().orElse(-1) == 0);
    }

    @Test
    void scan_usedTailLift_findsTheDonorItsFaultsAndTheFaultsOfOthers() {
        Map<String, ModuleReading> readings = scan(new VirtualWorkshop(Conditions.usedTailLift(LORNE)));
        assertThat(AgreementMatrix.compareVins(LORNE, Conditions.LORNE, readings)
                        .verdict())
                .isEqualTo(Verdict.DONOR);
        assertThat(readings.get("tail-lift").text(Ident.SOFTWARE)).contains("3.08");
        assertThat(readings.get("tail-lift").faults().stream().map(f -> f.code().text()))
                .contains("U1301-00", "B1A05-55", "B1A11-48", "C1027-16");
        assertThat(readings.get("body").faults())
                .extracting(f -> f.code().text())
                .contains("U1342-00");
    }

    @Test
    void programming_toASoftwareThatKeepsABlockOtherwise_leavesItEmpty_andTheOthersAsTheyWere() {
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.usedTailLift(LORNE));
        Bytes main = scan(workshop).get("tail-lift").coding().get("lift-main");
        assertThat(scan(workshop).get("tail-lift").coding().get("lift-limits").length())
                .isEqualTo(10);
        assertThat(new Scenes(workshop).transfer("tail-lift").good()).isTrue();
        ModuleReading after = scan(workshop).get("tail-lift");
        assertThat(after.text(Ident.SOFTWARE)).contains("3.12");
        assertThat(after.coding().get("lift-limits")).isEqualTo(Bytes.filled(12, 0xFF));
        assertThat(after.coding().get("lift-main")).isEqualTo(main);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 5})
    void scan_everySoManyRequestsLost_isReadWholeAllTheSame(int every) {
        Setup setup = Conditions.usedTailLift(LORNE);
        assertThat(new VehicleScanner(new Losing(new VirtualWorkshop(setup).link(), every), LORNE).scan(reading -> {}))
                .isEqualTo(scan(new VirtualWorkshop(setup)));
    }

    /** Loses one request of so many, never two in a row. */
    private record Losing(DiagnosticLink link, int every, AtomicInteger count) implements DiagnosticLink {
        Losing(DiagnosticLink link, int every) {
            this(link, every, new AtomicInteger());
        }

        @Override
        public Reply request(int address, Bytes request, Waits waits) {
            if (count.incrementAndGet() % every == 0) return new Reply.Silent(waits.p2());
            return link.request(address, request, waits);
        }

        @Override
        public List<Heard> requestAll(Bytes request, Waits waits) {
            return link.requestAll(request, waits);
        }

        @Override
        public void tell(int address, Bytes request) {
            link.tell(address, request);
        }

        @Override
        public boolean lost() {
            return link.lost();
        }

        @Override
        public void close() {
            link.close();
        }
    }

    @Test
    void scan_moduleNotFitted_isSilent() {
        Map<String, ModuleReading> readings =
                scan(new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE).without("tail-lift")));
        assertThat(readings.get("tail-lift").presence()).isEqualTo(ModuleReading.Presence.SILENT);
    }

    @Test
    void scan_blankPart_answersFromBootOnly() {
        Map<String, ModuleReading> readings =
                scan(new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE).withBlankPart("tail-lift")));
        assertThat(readings.get("tail-lift").presence()).isEqualTo(ModuleReading.Presence.BOOT_ONLY);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tail-lift", "body"})
    void run_usedPart_endsRightInTheVehicle(String module) {
        Setup setup = module.equals("body") ? Conditions.usedBody(LORNE) : Conditions.usedTailLift(LORNE);
        VirtualWorkshop workshop = new VirtualWorkshop(setup);
        RunAction end = workshop.run(RunState.begin(workshop.tasksFor(module)), VirtualWorkshop.noJournal());
        assertThat(end).isInstanceOf(RunAction.Finished.class);
        assertRight(workshop, module);
        assertThat(workshop.bus().busyNanos()).isGreaterThan(0);
    }

    private static void assertRight(VirtualWorkshop workshop, String module) {
        PackModule m = LORNE.module(module);
        assertThat(looked(workshop, module, "vin")).isEqualTo(Conditions.LORNE.text());
        assertThat(looked(workshop, module, "software")).isEqualTo(m.software().current());
        assertThat(looked(workshop, module, "counter")).isEqualTo(2);
        assertThat(looked(workshop, module, "flashCrc"))
                .isEqualTo("%08X".formatted(VirtualWorkshop.content(m).crc32()));
        Map<String, ModuleReading> readings = scan(workshop);
        assertThat(AgreementMatrix.of(LORNE, Conditions.LORNE, readings).rows())
                .noneMatch(AgreementMatrix.Row::differs);
        assertThat(readings.values()).allMatch(r -> r.faults().isEmpty());
    }

    /** A link that dies before a chosen exchange, as when the tester's process is killed. */
    private static final class Dying implements RunJournal {
        private int left;
        private int index;

        Dying(int after) {
            left = after;
        }

        @Override
        public void open(RunState state, RunAction action) {
            index = state.index();
            if (left-- == 0) throw new LinkLostException("killed");
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {}
    }

    @ParameterizedTest
    @CsvSource({"tail-lift, 11", "tail-lift, 12", "body, 12", "body, 13"})
    void run_killedAtSeededPoints_recoversToTheRightEnd(String module, long seed) {
        Random random = new Random(seed);
        Setup setup = module.equals("body") ? Conditions.usedBody(LORNE) : Conditions.usedTailLift(LORNE);
        VirtualWorkshop workshop = new VirtualWorkshop(setup);
        List<RunTask> tasks = workshop.tasksFor(module);
        RunState state = RunState.begin(tasks);
        for (int kill = 0; kill < 5; kill++) {
            Dying dying = new Dying(random.nextInt(kill < 3 ? 400 : 2500));
            RunAction end = workshop.run(state, dying);
            if (end instanceof RunAction.Finished) break;
            assertThat(end).isInstanceOf(RunAction.Stopped.class);
            workshop.time().advance(Duration.ofSeconds(random.nextInt(12)));
            state = RunState.recover(tasks, dying.index);
        }
        assertThat(workshop.run(state, VirtualWorkshop.noJournal())).isInstanceOf(RunAction.Finished.class);
        assertRight(workshop, module);
    }

    @Test
    void run_answersDropped_blockIsRepeatedAndWrittenOnce() {
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.usedTailLift(LORNE));
        int[] answers = new int[1];
        workshop.bus().fault((frame, nanos) -> {
            boolean transferAnswer = frame.id() == 0x4CF && frame.data().u8(1) == 0x76;
            return transferAnswer && answers[0]++ % 200 == 20 ? new Fate.Drop() : new Fate.Deliver();
        });
        assertThat(workshop.run(RunState.begin(workshop.tasksFor("tail-lift")), VirtualWorkshop.noJournal()))
                .isInstanceOf(RunAction.Finished.class);
        assertThat(answers[0]).isGreaterThan(1024);
        workshop.bus().fault(codrane.link.can.FrameFault.NONE);
        assertRight(workshop, "tail-lift");
    }

    @Test
    void uds_lockedModule_refusesWritesUntilUnlocked() {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        String vin = "2EF190" + Bytes.ascii(Conditions.LORNE_DONOR.text()).hex();
        assertThat(ask(workshop, "tail-lift", vin))
                .isEqualTo(new Reply.Refused(Known.SERVICE_NOT_SUPPORTED_IN_SESSION.code()));
        ask(workshop, "tail-lift", "1003");
        assertThat(ask(workshop, "tail-lift", vin)).isEqualTo(new Reply.Refused(Known.SECURITY_ACCESS_DENIED.code()));
        assertThat(ask(workshop, "tail-lift", "270211223344"))
                .isEqualTo(new Reply.Refused(Known.REQUEST_SEQUENCE_ERROR.code()));
        ask(workshop, "tail-lift", "2701");
        assertThat(ask(workshop, "tail-lift", "270211223344")).isEqualTo(new Reply.Refused(Known.INVALID_KEY.code()));
        assertThat(looked(workshop, "tail-lift", "vin")).isEqualTo(Conditions.LORNE.text());
    }

    @Test
    void uds_sessionTimeout_locksAgain() {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        ask(workshop, "tail-lift", "1003");
        workshop.time().advance(Duration.ofMillis(4900));
        workshop.link().tell(0x67, Bytes.parse("3E80"));
        workshop.time().advance(Duration.ofMillis(4900));
        assertThat(ask(workshop, "tail-lift", "2701")).isInstanceOf(Reply.Positive.class);
        workshop.time().advance(Duration.ofMillis(5100));
        assertThat(ask(workshop, "tail-lift", "2701")).isInstanceOf(Reply.Refused.class);
    }

    @ParameterizedTest
    @CsvSource({
        "221234, 31",
        "22, 13",
        "1077, 12",
        "86, 11",
        "85, 7F",
        "3E, 13",
        "1400, 13",
        "140000FF, 31",
        "19027F00, 13",
        "1906, 13",
        "31010203, 31",
        "3601AA, 7F",
        "37, 7F",
        "3400440008000000000010, 7F"
    })
    void uds_badRequest_getsTheStandardsAnswer(String request, String code) {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        Reply reply = ask(workshop, "tail-lift", request);
        assertThat(reply)
                .isInstanceOfSatisfying(
                        Reply.Refused.class, r -> assertThat(r.code().number()).isEqualTo(Integer.parseInt(code, 16)));
    }

    @Test
    void uds_randomRequests_neverBreakTheVehicle() {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        Random random = new Random(61);
        int[] services = {0x10, 0x11, 0x14, 0x19, 0x22, 0x27, 0x2E, 0x31, 0x34, 0x36, 0x37, 0x3E};
        for (int i = 0; i < 3000; i++) {
            byte[] request = new byte[1 + random.nextInt(12)];
            random.nextBytes(request);
            if (i % 4 != 0) request[0] = (byte) services[random.nextInt(services.length)];
            assertThat(ask(workshop, "tail-lift", Bytes.copyOf(request).hex())).isNotNull();
        }
        workshop.time().advance(Duration.ofSeconds(10));
        assertThat(ask(workshop, "tail-lift", "3E00")).isInstanceOf(Reply.Positive.class);
        assertThat(looked(workshop, "tail-lift", "vin")).isEqualTo(Conditions.LORNE.text());
    }

    @Test
    void clear_causeStillThere_comesBackAtOnce() {
        VirtualWorkshop workshop = new VirtualWorkshop(Conditions.usedTailLift(LORNE));
        assertThat(ask(workshop, "tail-lift", "14FFFFFF")).isInstanceOf(Reply.Positive.class);
        ModuleReading reading = new VehicleScanner(workshop.link(), LORNE).read(LORNE.module("tail-lift"));
        assertThat(reading.faults())
                .extracting(f -> f.code().text())
                .contains("U1301-00")
                .doesNotContain("C1027-16");
    }

    @Test
    void key_off_silencesTheVehicle() {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        workshop.vehicle().key(Key.OFF);
        assertThat(ask(workshop, "tail-lift", "3E00")).isInstanceOf(Reply.Silent.class);
        assertThat(ask(workshop, "body", "220D01")).isEqualTo(new Reply.Positive(Bytes.parse("620D0100")));
        workshop.time().advance(Duration.ofSeconds(25));
        assertThat(ask(workshop, "body", "220D01")).isInstanceOf(Reply.Silent.class);
        workshop.vehicle().key(Key.ON);
        assertThat(ask(workshop, "tail-lift", "3E00")).isInstanceOf(Reply.Positive.class);
    }

    @Test
    void supply_unitSwitchedOff_sagsBelowEveryStartVoltage() {
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(LORNE, Conditions.LORNE));
        assertThat(workshop.vehicle().supply().volts()).isGreaterThan(13.3);
        workshop.vehicle().supply().switchUnit(false);
        workshop.time().advance(Duration.ofSeconds(10));
        assertThat(workshop.vehicle().supply().volts()).isLessThan(12.9);
    }
}
