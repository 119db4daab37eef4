package codrane.core.power;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SupplyRecordTest {
    private static final Instant T0 = Instant.parse("2026-03-01T09:00:00Z");
    private static final SupplyRecord EMPTY = SupplyRecord.begin(T0, PowerWindow.programming(14.8));

    private static SupplyReading at(double seconds, double volts) {
        return new SupplyReading(T0.plusMillis((long) (seconds * 1000)), volts);
    }

    @Test
    void until_fiveReadingsASecond_keepsTheLowestOfEach() {
        List<SupplyReading> readings = IntStream.range(0, 15)
                .mapToObj(i -> at(i / 5.0, i == 7 ? 12.95 : 13.7))
                .toList();
        SupplyRecord record = EMPTY.until(T0.plusSeconds(3), readings);
        assertThat(record.millivolts()).containsExactly(13700, 12950, 13700);
        assertThat(record.lowest().orElseThrow()).isEqualTo(new SupplyRecord.Moment(T0.plusSeconds(1), 12.95));
        assertThat(record.secondsBelowHold()).isEqualTo(1);
        assertThat(record.secondsAboveLimit()).isZero();
    }

    @Test
    void until_secondThatIsNotOver_isLeftForLater() {
        SupplyRecord record = EMPTY.until(T0.plusMillis(1900), List.of(at(0.5, 13.7), at(1.5, 13.6)));
        assertThat(record.millivolts()).containsExactly(13700);
        assertThat(record.until(T0.plusSeconds(2), List.of(at(1.5, 13.6), at(1.95, 13.2)))
                        .millivolts())
                .containsExactly(13700, 13200);
    }

    @Test
    void until_meterSilent_isUnknownAndNotZero() {
        SupplyRecord record = EMPTY.until(T0.plusSeconds(3), List.of(at(0.1, 13.7), at(2.1, 15.1)));
        assertThat(record.millivolts()).containsExactly(13700, SupplyRecord.UNKNOWN, 15100);
        assertThat(record.secondsUnknown()).isEqualTo(1);
        assertThat(record.secondsBelowHold()).isZero();
        assertThat(record.secondsAboveLimit()).isEqualTo(1);
    }

    @Test
    void lowest_nothingRead_isNotKnown() {
        assertThat(EMPTY.lowest()).isEmpty();
        assertThat(EMPTY.until(T0.plusSeconds(2), List.of()).lowest()).isEmpty();
    }
}
