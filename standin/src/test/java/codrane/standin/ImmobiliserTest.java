package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.uds.UdsRequest;
import codrane.standin.module.AccessCodes;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;

/** Pairing and keys of the made-up immobilisers: codes, attempts, waiting, the window for the key. */
class ImmobiliserTest {
    private static final Pack DUNLIN = TestPacks.load("peregil-dunlin");
    private static final String CODE = AccessCodes.of(Conditions.DUNLIN, 6);

    /** The virtual workshop's first day. */
    private static final String DAILY = AccessCodes.ofDay("Peregil", LocalDate.of(2026, 3, 2));

    private static Asking body() {
        Setup setup = Setup.healthy(DUNLIN, Conditions.DUNLIN);
        Asking body = new Asking(setup.with("engine", setup.of("engine").unpaired()), "body");
        body.ask("1003");
        return body;
    }

    private static String pair(Asking body, String codes) {
        return body.ask(UdsRequest.RoutineControl.start(0x0320, Bytes.of(0x1A).plus(Bytes.ascii(codes)))
                                .encode())
                        instanceof codrane.core.run.Reply.Positive
                ? "paired"
                : body.ask("220220").substring(6);
    }

    @Test
    void pair_rightCodes_pairsAndTheFaultGoes() {
        Asking body = body();
        assertThat(body.also("engine").faults().keySet()).asString().contains("P1633-00");
        assertThat(pair(body, CODE + DAILY)).isEqualTo("paired");
        assertThat(body.also("engine").look("paired")).isEqualTo(true);
        body.also("engine").ask("14FFFFFF");
        assertThat(body.also("engine").faults()).isEmpty();
    }

    @Test
    void pair_wrongCodeOrNoDailyCode_countsDownAndThenWaits() {
        Asking body = body();
        assertThat(pair(body, CODE)).startsWith("0102"); // the daily code is missing
        assertThat(pair(body, "0000000000")).startsWith("0101");
        assertThat(body.ask(
                        UdsRequest.RoutineControl.start(0x0320, Bytes.of(0x1A).plus(Bytes.ascii("0000000000")))
                                .encode()))
                .isInstanceOf(codrane.core.run.Reply.Refused.class);
        assertThat(pair(body, CODE + DAILY)).startsWith("0103038"); // 0384: some 900 s to wait
        body.wait(Duration.ofSeconds(901));
        body.ask("1003");
        assertThat(pair(body, CODE + DAILY)).isEqualTo("paired");
    }

    @Test
    void pair_moduleThatIsNoMember_isRefused() {
        Asking body = body();
        assertThat(body.ask(
                        UdsRequest.RoutineControl.start(0x0320, Bytes.of(0x73).plus(Bytes.ascii(CODE + DAILY)))
                                .encode()))
                .isInstanceOf(codrane.core.run.Reply.Refused.class);
        assertThat(body.also("engine").ask("31010320")).isEqualTo("7F3131"); // only the master pairs
    }

    @Test
    void key_turnedWithinTheWindow_isLearned_laterIsNot() {
        Asking body = body();
        body.ask(UdsRequest.RoutineControl.start(0x0321, Bytes.ascii(CODE + DAILY))
                .encode());
        assertThat(body.ask("31030321")).isEqualTo("710303210102");
        turnKey(body);
        assertThat(body.ask("31030321")).isEqualTo("710303210003");
        body.ask("1003");
        body.ask(UdsRequest.RoutineControl.start(0x0321, Bytes.ascii(CODE + DAILY))
                .encode());
        body.wait(Duration.ofSeconds(21));
        turnKey(body);
        assertThat(body.ask("31030321")).isEqualTo("710303210003");
    }

    private static void turnKey(Asking body) {
        body.workshop.vehicle().key(Key.OFF);
        body.wait(Duration.ofSeconds(3));
        body.workshop.vehicle().key(Key.ON);
    }

    @Test
    void codes_differByVehicleAndDay() {
        assertThat(CODE).hasSize(6).matches("\\d+").isNotEqualTo(AccessCodes.of(Conditions.LORNE, 6));
        assertThat(DAILY).hasSize(4).isNotEqualTo(AccessCodes.ofDay("Peregil", LocalDate.of(2026, 3, 3)));
    }
}
