package codrane.app.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.atMost;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;

import codrane.app.account.SignInThrottle.Try;
import codrane.app.records.AuditTrail;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

/** Guessing gets slow, and nobody is locked out by somebody else's guesses. */
class SignInThrottleTest {
    private final AuditTrail audit = mock(AuditTrail.class);
    private Instant now = Instant.parse("2026-11-27T08:00:00Z");
    private final SignInThrottle throttle = new SignInThrottle(audit, () -> now);

    private static Try from(String address, String name) {
        return new Try(name, address, false);
    }

    /** Seven tries a second, as a program makes them; how many passwords were looked at? */
    private int looked(Try attempt, int tries) {
        int looked = 0;
        for (int i = 0; i < tries; i++) {
            now = now.plusMillis(140);
            if (!throttle.wait(attempt).isZero()) continue;
            looked++;
            throttle.failed(attempt);
        }
        return looked;
    }

    @Test
    void wait_fiveHundredWrongPasswordsIn70Seconds_fewAreLookedAt() {
        assertThat(looked(from("10.0.0.9", "lead"), 500)).isLessThan(12);
        verify(audit, atMost(12)).record(any(), any(), any(), any());
    }

    @Test
    void wait_otherNamesOtherAddressesAndKnownBrowsers_areNotTouched() {
        looked(from("10.0.0.9", "lead"), 500);
        assertThat(throttle.wait(from("10.0.0.9", "tech"))).isZero();
        assertThat(throttle.wait(from("10.0.0.8", "lead"))).isZero();
        assertThat(throttle.wait(new Try("lead", "10.0.0.9", true))).isZero();
    }

    @Test
    void wait_namesTriedInTurn_eachIsFreeOnceWhereManyFail() {
        for (int i = 0; i < 20; i++) throttle.failed(from("10.0.0.9", "name" + i));
        Try next = from("10.0.0.9", "desk");
        assertThat(throttle.wait(next)).isZero();
        throttle.failed(next);
        assertThat(throttle.wait(next)).isPositive();
    }

    @Test
    void wait_ends_andIsForgotten() {
        Try attempt = from("10.0.0.9", "lead");
        for (int i = 0; i < 30; i++) throttle.failed(attempt);
        assertThat(throttle.wait(attempt)).isBetween(Duration.ofSeconds(1), Duration.ofSeconds(30));
        now = now.plusSeconds(31);
        assertThat(throttle.wait(attempt)).isZero();
        throttle.failed(attempt);
        now = now.plus(Duration.ofMinutes(16));
        for (int i = 0; i < 4; i++) {
            assertThat(throttle.wait(attempt)).isZero();
            throttle.failed(attempt);
        }
    }

    @Test
    void wait_afterTheRightPassword_startsAnew() {
        Try attempt = from("10.0.0.9", "lead");
        for (int i = 0; i < 4; i++) throttle.failed(attempt);
        throttle.succeeded(attempt);
        for (int i = 0; i < 4; i++) {
            assertThat(throttle.wait(attempt)).isZero();
            throttle.failed(attempt);
        }
    }
}
