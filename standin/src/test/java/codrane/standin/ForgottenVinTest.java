package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import org.junit.jupiter.api.Test;

/** A module that forgets its VIN on demand, and learns the neighbour's when it starts; a new keeper of the immobiliser's secret. */
class ForgottenVinTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private static final String VIN = Bytes.ascii(Conditions.LORNE.text()).hex();
    private static final String NONE = "FF".repeat(17);

    private static Asking doors() {
        String software = LORNE.module("doors").software().current();
        return new Asking(
                Setup.healthy(LORNE, Conditions.LORNE).with("doors", Part.used(Conditions.LORNE_DONOR, software)),
                "doors");
    }

    @Test
    void forget_unlockedOnly_erasesVinAndCoding_andTheNeighboursIsLearnedAtTheNextStart() {
        Asking doors = doors();
        assertThat(doors.ask("31010235")).isEqualTo("7F3131"); // the default session does not have it
        doors.ask("1003");
        assertThat(doors.ask("31010235")).isEqualTo("7F3133");
        doors.unlocked(3);
        assertThat(doors.ask("31010235")).isEqualTo("7101023500");
        assertThat(doors.ask("22F190")).isEqualTo("62F190" + NONE);
        String block = "%04X".formatted(LORNE.layout("doors-main").dataIdentifier());
        assertThat(doors.ask("22" + block)).matches("62" + block + "(FF)+");
        doors.ask("1101");
        doors.wait(Duration.ofSeconds(3));
        assertThat(doors.ask("22F190")).isEqualTo("62F190" + VIN);
    }

    @Test
    void forgotten_isAlsoLearnedWhenTheKeyIsTurned() {
        Asking doors = doors().unlocked(3);
        doors.ask("31010235");
        doors.workshop.vehicle().key(Key.OFF);
        doors.wait(Duration.ofSeconds(2));
        doors.workshop.vehicle().key(Key.ON);
        assertThat(doors.ask("22F190")).isEqualTo("62F190" + VIN);
    }

    @Test
    void newKeeperOfTheSecret_knowsNoKey_andNobodyIsPairedWithIt() {
        String software = LORNE.module("key-reader").software().current();
        Asking reader = new Asking(
                Setup.healthy(LORNE, Conditions.LORNE).with("key-reader", Part.unwritten(software)), "key-reader");
        assertThat(reader.ask("220220")).isEqualTo("6202200003000000");
        assertThat(reader.also("engine").ask("220220")).startsWith("62022000");
        Asking healthy = new Asking(Setup.healthy(LORNE, Conditions.LORNE), "key-reader");
        assertThat(healthy.ask("220220")).isEqualTo("6202200103000002");
    }
}
