package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.gateway.AccessGrant;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.uds.UdsRequest;
import codrane.link.gateway.GatewayAccess;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.Setup;
import java.security.KeyPair;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Gateways of both families: locked, opened, expired, deceived. */
class GatewayTest {
    private static final Pack ALMERY = TestPacks.load("brennick-almery");
    private static final Pack CHORUS = TestPacks.load("tolvane-chorus");
    private final KeyPair holder = Authority.newKeys();

    private static AccessGrant grant(Asking vehicle, String vin, Duration length) {
        Instant now = vehicle.workshop.vehicle().now();
        return new AccessGrant(vin, "PLV2-204417", "Pierhead Yard", "tech", now.minusSeconds(5), now.plus(length));
    }

    private Optional<String> open(Asking vehicle, SignedGrant grant) {
        return new GatewayAccess(
                        vehicle.workshop.link(), vehicle.workshop.vehicle().pack())
                .open(grant, holder.getPrivate());
    }

    private static Asking almery() {
        return new Asking(Conditions.standard(ALMERY), "tail-lift");
    }

    private static Asking chorus() {
        return new Asking(Conditions.standard(CHORUS), "doors");
    }

    @Test
    void token_gateway_saysDoneAndClearsNothingUntilOpened() {
        Asking lift = almery();
        assertThat(lift.ask("14FFFFFF")).isEqualTo("54"); // a lie: only reading again tells
        assertThat(lift.faults()).hasSize(1);
        assertThat(lift.ask("2701")).isEqualTo("7F2734");
        AccessGrant grant = grant(lift, Conditions.ALMERY.text(), Duration.ofMinutes(10));
        assertThat(open(lift, lift.workshop.authority().token(grant))).isEmpty();
        assertThat(lift.ask("14FFFFFF")).isEqualTo("54");
        assertThat(lift.faults()).isEmpty();
    }

    @Test
    void token_expires_andTheGatewayIsLockedAgain() {
        Asking lift = almery();
        AccessGrant grant = grant(lift, Conditions.ALMERY.text(), Duration.ofMinutes(10));
        open(lift, lift.workshop.authority().token(grant));
        lift.ask("1003");
        assertThat(lift.ask("2701")).startsWith("6701");
        lift.wait(Duration.ofMinutes(10));
        assertThat(lift.ask("2701")).isEqualTo("7F2734");
    }

    @Test
    void token_forgedForAnotherVehicleOrExpired_isRefusedWithTheReason() {
        Asking lift = almery();
        AccessGrant good = grant(lift, Conditions.ALMERY.text(), Duration.ofMinutes(10));
        assertThat(open(lift, new Authority().token(good)))
                .hasValueSatisfying(s -> assertThat(s).contains("key was wrong"));
        assertThat(open(
                        lift,
                        lift.workshop.authority().token(grant(lift, Conditions.LORNE.text(), Duration.ofHours(1)))))
                .hasValueSatisfying(s -> assertThat(s).contains("another vehicle"));
        assertThat(open(
                        lift,
                        lift.workshop.authority().token(grant(lift, Conditions.ALMERY.text(), Duration.ofSeconds(-1)))))
                .hasValueSatisfying(s -> assertThat(s).contains("not valid at this time"));
        Asking gateway = lift.also("gateway");
        assertThat(gateway.ask("31010301DEADBEEF")).isEqualTo("7F3135");
        assertThat(lift.ask("2701")).isEqualTo("7F2734");
    }

    @Test
    void certificate_withProof_opensAndDeAuthenticateLocks() {
        Asking doors = chorus();
        assertThat(doors.ask("14FFFFFF")).isEqualTo("7F1434");
        AccessGrant grant = grant(doors, Conditions.CHORUS.text(), Duration.ofMinutes(10));
        assertThat(open(doors, doors.workshop.authority().certificate(grant, holder.getPublic())))
                .isEmpty();
        assertThat(doors.ask("14FFFFFF")).isEqualTo("54");
        assertThat(doors.also("gateway").ask(new UdsRequest.DeAuthenticate().encode()))
                .isEqualTo(new codrane.core.run.Reply.Positive(Bytes.parse("690010")));
        assertThat(doors.ask("14FFFFFF")).isEqualTo("7F1434");
    }

    @Test
    void certificate_ofSomebodyElse_failsAtTheProof() {
        Asking doors = chorus();
        AccessGrant grant = grant(doors, Conditions.CHORUS.text(), Duration.ofMinutes(10));
        KeyPair owner = Authority.newKeys();
        assertThat(open(doors, doors.workshop.authority().certificate(grant, owner.getPublic())))
                .hasValueSatisfying(s -> assertThat(s).contains("proof of ownership was wrong"));
        assertThat(doors.ask("14FFFFFF")).isEqualTo("7F1434");
    }

    @Test
    void certificate_badRequests_getTheStandardsAnswer() {
        Asking gateway = chorus().also("gateway");
        assertThat(gateway.ask("2908")).isEqualTo("690802");
        assertThat(gateway.ask("290300000000")).isEqualTo("7F2924"); // no certificate before
        assertThat(gateway.ask("29030000")).isEqualTo("7F2913");
        assertThat(gateway.ask("290100")).isEqualTo("7F2913");
        assertThat(gateway.ask("2901000003AABBCC0000")).isEqualTo("7F2951");
        assertThat(gateway.ask("2905")).isEqualTo("7F2912");
        assertThat(chorus().ask("2908")).isEqualTo("7F2911"); // the doors are no gateway
    }

    @Test
    void scenes_unlock_opensBothFamilies() {
        for (Pack pack : new Pack[] {ALMERY, CHORUS}) {
            assertThat(new Scenes(new VirtualWorkshop(Conditions.standard(pack))).unlock())
                    .isEqualTo(new Scenes.End(true, "opened"));
        }
    }

    @Test
    void modelYear_beforeTheGateway_hasNone() {
        Pack lorne = TestPacks.load("brennick-lorne");
        Asking old = new Asking(Setup.healthy(lorne, Conditions.LORNE), "tail-lift");
        assertThat(old.ask("14FFFFFF")).isEqualTo("54");
        Asking young = new Asking(Setup.healthy(lorne, Conditions.gated(lorne)), "tail-lift");
        assertThat(young.ask("14FFFFFF")).isEqualTo("7F1434");
    }
}
