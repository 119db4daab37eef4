package codrane.core.job;

import static codrane.core.job.PartState.AWAY;
import static codrane.core.job.PartState.CLEANED;
import static codrane.core.job.PartState.FITTED;
import static codrane.core.job.PartState.KEPT;
import static codrane.core.job.PartState.SCRAPPED;
import static codrane.core.job.PartState.SENT;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.VinLock;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartStateTest {
    private static Optional<String> refusal(VinLock lock, PartState from, PartState to) {
        return PartState.refusal(lock, Optional.of(from), to, false);
    }

    @ParameterizedTest
    @CsvSource({
        "REWRITABLE, KEPT, FITTED, ''",
        "REWRITABLE, KEPT, SENT, needs no cleaning",
        "CLEANABLE, KEPT, FITTED, clean it first",
        "CLEANABLE, SENT, FITTED, clean it first",
        "CLEANABLE, KEPT, SENT, ''",
        "CLEANABLE, SENT, CLEANED, ''",
        "CLEANABLE, CLEANED, FITTED, ''",
        "CLEANABLE, CLEANED, KEPT, stands with it",
        "BOUND, KEPT, SENT, Nobody can clean it",
        "BOUND, KEPT, FITTED, works in no other",
        "BOUND, KEPT, SCRAPPED, ''",
        "CLEANABLE, SENT, KEPT, ''"
    })
    void refusal_byWhatTheVinAllows(VinLock lock, PartState from, PartState to, String why) {
        if (why.isEmpty()) assertThat(refusal(lock, from, to)).isEmpty();
        else
            assertThat(refusal(lock, from, to))
                    .hasValueSatisfying(s -> assertThat(s).contains(why));
    }

    /** Into its own vehicle every part may go back, as it is. */
    @Test
    void refusal_backIntoItsOwnVehicle_isNone() {
        for (VinLock lock : VinLock.values())
            for (PartState from : new PartState[] {KEPT, SENT, CLEANED})
                assertThat(PartState.refusal(lock, Optional.of(from), FITTED, true))
                        .isEmpty();
    }

    /** What is gone is gone, whatever is said then. */
    @Test
    void refusal_afterItIsGone_isAlways() {
        for (VinLock lock : VinLock.values())
            for (PartState from : new PartState[] {FITTED, AWAY, SCRAPPED})
                for (PartState to : PartState.values())
                    assertThat(PartState.refusal(lock, Optional.of(from), to, true))
                            .hasValueSatisfying(s -> assertThat(s).contains("stands"));
    }
}
