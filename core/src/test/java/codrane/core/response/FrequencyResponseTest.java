package codrane.core.response;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import codrane.core.response.FrequencyResponse.Band;
import codrane.core.response.FrequencyResponse.Point;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Flatness of measured responses. */
class FrequencyResponseTest {
    private static FrequencyResponse of(DoubleUnaryOperator level, int perDecade) {
        return new FrequencyResponse(IntStream.rangeClosed((int) (1.5 * perDecade), (int) (4.4 * perDecade))
                .mapToObj(i -> Math.pow(10, (double) i / perDecade))
                .map(hz -> new Point(hz, level.applyAsDouble(hz)))
                .toList());
    }

    @Test
    void flatness_ofALevel_isNoneWhateverTheLevel() {
        assertThat(of(hz -> 70, 40).flatness(Band.SPEECH)).isCloseTo(0, within(1e-9));
        assertThat(of(hz -> -12, 7).flatness(Band.FULL)).isCloseTo(0, within(1e-9));
    }

    @Test
    void flatness_ofASlope_isThatOfEvenlySpacedLevels() {
        // 3 dB an octave over the 18 third octaves of speech: steps of 3 * log2(10) / 10 dB
        double step = 3 * (Math.log(10) / Math.log(2)) / 10;
        double expected = step * Math.sqrt((18 * 18 - 1) / 12.0);
        FrequencyResponse slope = of(hz -> 3 * Math.log(hz) / Math.log(2), 10);
        assertThat(slope.aligned(Band.SPEECH)).hasSize(18);
        assertThat(slope.flatness(Band.SPEECH)).isCloseTo(expected, within(0.01));
        assertThat(slope.aligned(Band.FULL)).hasSize(25);
    }

    @Test
    void aligned_isTheSameWhateverTheDensityAndTheLevel() {
        DoubleUnaryOperator level = hz -> 4 * Math.log10(hz / 1000);
        List<Double> fine = of(level, 200).aligned(Band.FULL);
        List<Double> louder = of(hz -> level.applyAsDouble(hz) + 23, 200).aligned(Band.FULL);
        List<Double> sparse = of(level, 4).aligned(Band.FULL);
        for (int i = 0; i < fine.size(); i++) {
            assertThat(louder.get(i)).isCloseTo(fine.get(i), within(1e-9));
            assertThat(sparse.get(i)).isCloseTo(fine.get(i), within(0.3));
        }
    }

    @Test
    void flatness_lowBoom_countsInTheFullBandOnly() {
        FrequencyResponse boom = of(hz -> hz < 120 ? 12 : 0, 40);
        assertThat(boom.flatness(Band.SPEECH)).isLessThan(0.1);
        assertThat(boom.flatness(Band.FULL)).isGreaterThan(3);
    }

    @Test
    void covers_onlyWhatWasMeasured() {
        FrequencyResponse speech = new FrequencyResponse(List.of(new Point(160, 0), new Point(8000, 0)));
        assertThat(speech.covers(Band.SPEECH)).isTrue();
        assertThat(speech.covers(Band.FULL)).isFalse();
    }

    @Test
    void outOfRange_isRefused() {
        assertThatThrownBy(() -> new Point(0, 0)).hasMessage("hz: 0.0 (expected 1..100000)");
        assertThatThrownBy(() -> new Point(100, Double.NaN)).hasMessage("db: NaN (expected -200..200)");
        assertThatThrownBy(() -> new FrequencyResponse(List.of(new Point(100, 1))))
                .hasMessageContaining("two frequencies");
    }
}
