package codrane.core.scale;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Tyre arithmetic. */
class TyreSizeTest {
    @ParameterizedTest
    @CsvSource({"215/65R16C, 685.9, 2083.7", "215/65 R16C, 685.9, 2083.7", "225/70 r 15 c, 696.0, 2114.4"})
    void size_vectors_hold(String text, double diameter, double circumference) {
        TyreSize size = TyreSize.parse(text).orElseThrow();
        assertThat(size.diameter()).isCloseTo(diameter, within(0.05));
        assertThat(size.circumference()).isCloseTo(circumference, within(0.05));
        assertThat(size.revolutionsPerKm() * size.circumference()).isCloseTo(1e6, within(1e-6));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "215", "215/65", "215/65X16", "R16", "999/65R16", "215/05R16", "215/65R99", "215/65R16Q9 9"})
    void parse_whatIsNoSize_isEmpty(String text) {
        assertThat(TyreSize.parse(text)).isEmpty();
    }

    @Test
    void speedRatio_greaterTyre_isFasterThanShown_andTheWayBackIsItsInverse() {
        TyreSize coded = TyreSize.parse("215/65R16C").orElseThrow();
        TyreSize fitted = TyreSize.parse("225/70R15C").orElseThrow();
        assertThat(coded.speedRatio(fitted)).isCloseTo(1.0147, within(0.0001));
        assertThat(coded.speedRatio(fitted) * fitted.speedRatio(coded)).isCloseTo(1, within(1e-12));
    }
}
