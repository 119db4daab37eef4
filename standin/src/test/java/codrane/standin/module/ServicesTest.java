package codrane.standin.module;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.standin.Asking;
import codrane.standin.Conditions;
import codrane.standin.Scenes;
import codrane.standin.TestPacks;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the services do to a module, read back. */
class ServicesTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private static final Pack ALMERY = TestPacks.load("brennick-almery");

    private static Asking healthy(String module) {
        return new Asking(Setup.healthy(LORNE, Conditions.LORNE), module);
    }

    @Test
    void read_severalIdentifiers_answersThoseThatThereAre() {
        String serial = healthy("brakes").ask("22F18C").substring(6);
        String version = healthy("brakes").ask("22F189").substring(6);
        assertThat(healthy("brakes").ask("22F18C FFFF F189")).isEqualTo("62F18C" + serial + "F189" + version);
    }

    @Test
    void live_values_followKeyAndEngine() {
        Asking engine = healthy("engine");
        engine.wait(Duration.ofSeconds(30));
        assertThat(value(engine, 0x0106) * 0.25).isLessThan(20);
        engine.workshop.vehicle().key(Key.RUNNING);
        engine.wait(Duration.ofSeconds(5));
        assertThat(value(engine, 0x0106) * 0.25).isBetween(760.0, 800.0);
        int cold = value(engine, 0x0107);
        engine.wait(Duration.ofMinutes(10));
        assertThat(value(engine, 0x0107)).isGreaterThan(cold + 100);
    }

    private static int value(Asking module, int identifier) {
        Reply.Positive reply = (Reply.Positive) module.ask(new UdsRequest.ReadDataByIdentifier(identifier).encode());
        return reply.message().u16(3);
    }

    @Test
    void scaling_liveValue_tellsFactorAndOffset() {
        // two octets unsigned, then y = 0.1 x - 40: mantissa 1 with exponent -1 (F), and -40 with exponent 0
        assertThat(healthy("engine").ask("240107")).isEqualTo("640107029500" + "F001" + "0FD8");
    }

    @ParameterizedTest
    @CsvSource({"1, 0001", "0.25, E019", "-40, 0FD8", "0, 0000", "20470, 17FF", "0.001, D001"})
    void scaling_constants_areExponentAndMantissa(double value, String octets) {
        assertThat(DataServices.constant(value).hex()).isEqualTo(octets);
    }

    @Test
    void dynamic_identifier_isMadeOfPiecesAndForgottenWhenCleared() {
        Asking lift = healthy("tail-lift");
        String vin = Bytes.ascii("004127").hex();
        assertThat(lift.ask("2C01F2F1 F1900C06 F18C0101")).isEqualTo("6C01F2F1");
        assertThat(lift.ask("22F2F1")).startsWith("62F2F1" + vin).hasSize(6 + 12 + 2);
        assertThat(lift.ask("2C03F2F1")).isEqualTo("6C03F2F1");
        assertThat(lift.ask("22F2F1")).isEqualTo("7F2231");
    }

    @Test
    void control_adjustedValue_staysUntilReturnedOrTheSessionEnds() {
        Asking lift = healthy("tail-lift");
        lift.ask("1003");
        assertThat(lift.ask("2F01610300C8")).isEqualTo("6F01610300C8");
        assertThat(value(lift, 0x0161)).isEqualTo(200);
        assertThat(lift.ask("2F016100")).isEqualTo("6F016100");
        assertThat(value(lift, 0x0161)).isZero();
        lift.ask("2F01610300C8");
        lift.wait(Duration.ofSeconds(6));
        assertThat(value(lift, 0x0161)).isZero();
    }

    @Test
    void memory_notes_areWrittenAndReadByAddress_flashIsOnlyRead() {
        Asking lift = healthy("tail-lift").unlocked(3);
        assertThat(lift.ask("3D2400FF0000 0003 AABBCC")).isEqualTo("7D2400FF00000003");
        assertThat(lift.ask("232400FF0001 0002")).isEqualTo("63BBCC");
        assertThat(lift.ask("234400080010 00000004"))
                .isEqualTo("63" + Bytes.ascii("3.12").hex());
        assertThat(lift.ask("3D440008001000000001AA")).isEqualTo("7F3D31");
        assertThat(lift.ask("2324010000000001")).isEqualTo("7F2331");
        assertThat(lift.ask("2355000000000000000000")).isEqualTo("7F2331"); // no such format
    }

    @Test
    void upload_givesBackWhatTheFlashHolds() {
        Asking lift = healthy("tail-lift").unlocked(2);
        assertThat(lift.ask("35004400080010 00000010")).isEqualTo("75200402");
        String block = lift.ask("3601");
        assertThat(block).startsWith("7601" + Bytes.ascii("3.12    ").hex()).hasSize(4 + 32);
        assertThat(lift.ask("3602")).isEqualTo("7F3624"); // all is told
        assertThat(lift.ask("37")).isEqualTo("77");
        assertThat(lift.ask("37")).isEqualTo("7F3724");
    }

    @Test
    void faults_snapshotAndCount_ofAStoredFault() {
        Asking lift = new Asking(Conditions.usedTailLift(LORNE), "tail-lift");
        String mismatch = "D30100"; // U1301-00
        assertThat(lift.ask("190109")).startsWith("59010901").endsWith("04");
        assertThat(lift.ask("1903")).contains(mismatch + "01");
        assertThat(lift.ask("1904" + mismatch + "01")).startsWith("5904" + mismatch + "090101D112");
        assertThat(lift.ask("1906" + mismatch + "FF")).startsWith("5906" + mismatch + "0901");
        assertThat(lift.ask("190A")).contains(mismatch + "09", "9A0454" + "00");
        assertThat(lift.ask("14" + mismatch)).isEqualTo("54");
        assertThat(lift.ask("14D1D1D1")).isEqualTo("7F1431");
    }

    @Test
    void faultSetting_off_newFaultsAreNotStored() {
        Asking lift = healthy("tail-lift").unlocked(3);
        assertThat(lift.ask("8502")).isEqualTo("C502");
        lift.ask(new UdsRequest.WriteDataByIdentifier(0xF190, Bytes.ascii(Conditions.LORNE_DONOR.text())).encode());
        assertThat(lift.ask("1902FF")).isEqualTo("590209");
        assertThat(lift.ask("8501")).isEqualTo("C501");
        assertThat(lift.ask("1902FF")).isEqualTo("590209D3010009");
    }

    @Test
    void relearn_door_faultStaysUntilLearnedAndSlept() {
        Asking doors = healthy("doors").unlocked(3);
        String coding = doors.ask("220630").substring(6);
        doors.ask("2E0630" + coding);
        assertThat(doors.faults().keySet()).asString().contains("B2310-54");
        doors.workshop.vehicle().move(codrane.core.pack.Equipment.Sensor.DOORS, 1);
        assertThat(doors.ask("31010203")).isEqualTo("7F3122"); // doors must be closed
        doors.workshop.vehicle().move(codrane.core.pack.Equipment.Sensor.DOORS, 0);
        doors.workshop.vehicle().move(codrane.core.pack.Equipment.Sensor.WINDOWS, 1);
        assertThat(doors.ask("31010203")).isEqualTo("7F3122"); // and windows
        doors.workshop.vehicle().move(codrane.core.pack.Equipment.Sensor.WINDOWS, 0);
        assertThat(doors.ask("31010203")).isEqualTo("7101020301");
        assertThat(doors.ask("31030203")).isEqualTo("7103020301");
        doors.wait(Duration.ofSeconds(14));
        assertThat(doors.faults().keySet()).asString().contains("B2310-54");
        doors.workshop.vehicle().key(Key.OFF);
        doors.wait(Duration.ofSeconds(25));
        doors.workshop.vehicle().key(Key.ON);
        doors.ask("14FFFFFF");
        assertThat(doors.faults()).isEmpty();
    }

    @Test
    void startThatMustBeInhibited_programmingIsRefusedUntilItIs_andNobodyStartsItThen() {
        Asking engine = new Asking(Setup.healthy(TestPacks.load("ardwyn-gannet"), Conditions.GANNET), "engine");
        SimulatedVehicle vehicle = engine.workshop.vehicle();
        assertThat(engine.ask("1002")).isEqualTo("7F1022");
        assertThat(engine.ask("1003")).startsWith("5003"); // to write a setting it may be as it is
        vehicle.move(codrane.core.pack.Equipment.Sensor.START, 1);
        assertThat(engine.ask("1002")).startsWith("5002");
        vehicle.key(Key.RUNNING);
        assertThat(vehicle.key()).isEqualTo(Key.ON);
        vehicle.move(codrane.core.pack.Equipment.Sensor.START, 0);
        vehicle.key(Key.RUNNING);
        assertThat(vehicle.key()).isEqualTo(Key.RUNNING);
    }

    @Test
    void routine_stopped_leavesNothingLearned() {
        Asking doors = healthy("doors").unlocked(3);
        doors.ask("2E0630" + doors.ask("220630").substring(6));
        doors.ask("31010203");
        assertThat(doors.ask("31020203")).isEqualTo("71020203");
        doors.wait(Duration.ofSeconds(20));
        assertThat(doors.ask("31030203")).isEqualTo("7103020302");
        assertThat(doors.look("settled")).isEqualTo(false);
    }

    @Test
    void programming_adaptations_areFreshAfterwards() {
        Asking engine = new Asking(Setup.healthy(ALMERY, Conditions.ALMERY), "engine");
        assertThat(value(engine, 0x0301)).isEqualTo(518); // 1.8 %
        assertThat(new Scenes(engine.workshop).program("engine").good()).isTrue();
        assertThat(value(engine, 0x0301)).isEqualTo(500); // 0.0 %, with its offset of -50
    }

    /** With blanks up to the octets that a module keeps for it. */
    private static String order(String codes) {
        int octets = LORNE.equipment().order().orElseThrow().octets();
        return Bytes.ascii(codes + " ".repeat(octets - codes.length())).hex();
    }

    @Test
    void order_unknownCode_isRefused_otherOrder_disagreesWithTheBody() {
        Asking instruments = healthy("instruments").unlocked(3);
        String padded = order("MKT2 USE3");
        assertThat(instruments.ask("2E0700" + order("XYZ1"))).isEqualTo("7F2E31");
        assertThat(instruments.ask("2E0700" + padded)).isEqualTo("6E0700");
        assertThat(instruments.ask("220700")).isEqualTo("620700" + padded);
        assertThat(instruments.faults().keySet()).asString().contains("U1440-57");
    }

    @Test
    void alteredSoftware_sameVersion_anotherVerificationNumber() {
        Setup setup = Setup.healthy(LORNE, Conditions.LORNE);
        Asking altered =
                new Asking(setup.with("tail-lift", setup.of("tail-lift").withAlteredSoftware()), "tail-lift");
        assertThat(altered.ask("22F189")).isEqualTo(healthy("tail-lift").ask("22F189"));
        assertThat(altered.ask("220201")).isNotEqualTo(healthy("tail-lift").ask("220201"));
    }
}
