package codrane.app.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.decoder.Decoder;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What a phone's camera makes of the drawn squares. */
class SeatCodeTest {
    private static final Pattern SQUARE = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z");
    private static final int QUIET = 4;

    @Test
    void squares_areReadAsTheAddress() throws Exception {
        SeatCode code = SeatCode.of("http://bench.pierhead.example:8470/jobs/2201/seat");
        int size = code.size() - 2 * QUIET;
        BitMatrix bits = new BitMatrix(size);
        Matcher square = SQUARE.matcher(code.path());
        while (square.find())
            bits.set(Integer.parseInt(square.group(1)) - QUIET, Integer.parseInt(square.group(2)) - QUIET);
        assertThat(new Decoder().decode(bits).getText()).isEqualTo(code.address());
    }

    @Test
    void address_ofThisComputerAlone_isKnownAsThat() {
        assertThat(SeatCode.of("http://127.0.0.1:8470/jobs/2201/seat").loopback())
                .isTrue();
        assertThat(SeatCode.of("http://localhost/jobs/2201/seat").loopback()).isTrue();
        assertThat(SeatCode.of("http://bench.pierhead.example/jobs/2201/seat").loopback())
                .isFalse();
        assertThatThrownBy(() -> SeatCode.of("x".repeat(8000))).isInstanceOf(IllegalArgumentException.class);
    }
}
