package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.timing.ProgrammingEstimate;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ProgrammingTimesTest {
    private static final Instant T0 = Instant.parse("2026-03-02T08:00:00Z");
    private static final ProgrammingEstimate PACK =
            new ProgrammingEstimate(Duration.ofSeconds(10), Duration.ofSeconds(100), Duration.ofSeconds(5), 400);

    private static StepTime step(String purpose, double from, double to) {
        return new StepTime(1, 0, purpose, at(from), to < 0 ? Optional.empty() : Optional.of(at(to)));
    }

    private static Instant at(double seconds) {
        return T0.plusMillis(Math.round(seconds * 1000));
    }

    private static List<StepTime> programmed(double transfer) {
        return List.of(
                step("Unlock", 0, 1),
                step("Erase", 1, 13),
                step("Ask for a download", 13, 14),
                step("Send 400 blocks", 14, 14 + transfer - 1),
                step("End the transfer", 13 + transfer, 14 + transfer),
                step("Let the module check itself", 14 + transfer, 20 + transfer),
                step("Read its software number", 25 + transfer, 26 + transfer));
    }

    private static ProgrammingTimes times(double transfer) {
        return ProgrammingTimes.of(programmed(transfer)).orElseThrow();
    }

    @Test
    void times_ofAProgramming_areThoseOfEraseTransferAndVerify() {
        assertThat(times(120))
                .isEqualTo(new ProgrammingTimes(Duration.ofSeconds(12), Duration.ofMinutes(2), Duration.ofSeconds(6)));
    }

    @Test
    void programming_thatWasDisturbedOrIsNotOver_saysNothing() {
        List<StepTime> again = new ArrayList<>(programmed(120));
        again.add(step("Ask for a download", 300, 301));
        assertThat(ProgrammingTimes.of(again)).isEmpty();
        assertThat(ProgrammingTimes.of(programmed(120).subList(0, 5))).isEmpty();
        List<StepTime> open = new ArrayList<>(programmed(120).subList(0, 5));
        open.add(step("Let the module check itself", 140, -1));
        assertThat(ProgrammingTimes.of(open)).isEmpty();
        assertThat(ProgrammingTimes.of(List.of())).isEmpty();
    }

    @Test
    void estimate_isCorrectedByTheMiddleOfWhatWasSeen() {
        assertThat(ProgrammingTimes.corrected(PACK, List.of())).isEqualTo(PACK);
        ProgrammingEstimate odd = ProgrammingTimes.corrected(PACK, List.of(times(900), times(110), times(120)));
        assertThat(odd.transfer()).isEqualTo(Duration.ofMinutes(2));
        assertThat(odd.erase()).isEqualTo(Duration.ofSeconds(12));
        assertThat(odd.blocks()).isEqualTo(400);
        assertThat(ProgrammingTimes.corrected(PACK, List.of(times(110), times(120)))
                        .transfer())
                .isEqualTo(Duration.ofSeconds(115));
    }
}
