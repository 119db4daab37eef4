package codrane.app.squares;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.common.BitMatrix;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What a camera makes of the drawn squares. */
class CodePictureTest {
    private static final Pattern SQUARE = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z");
    private static final int QUIET = 4;

    private static BitMatrix squares(CodePicture code) {
        BitMatrix bits = new BitMatrix(code.size() - 2 * QUIET);
        Matcher square = SQUARE.matcher(code.path());
        while (square.find())
            bits.set(Integer.parseInt(square.group(1)) - QUIET, Integer.parseInt(square.group(2)) - QUIET);
        return bits;
    }

    @Test
    void qr_isReadAsItsText() throws Exception {
        CodePicture code = CodePicture.qr("http://bench.pierhead.example:8470/jobs/2201/seat");
        assertThat(new com.google.zxing.qrcode.decoder.Decoder()
                        .decode(squares(code))
                        .getText())
                .isEqualTo(code.text());
    }

    @Test
    void dataMatrix_isReadAsItsText() throws Exception {
        CodePicture code = CodePicture.dataMatrix("P BK-67220-B3 S LFT100417 V 0BKLR3A46MN004127 W 3.12 J 2201");
        assertThat(new com.google.zxing.datamatrix.decoder.Decoder()
                        .decode(squares(code))
                        .getText())
                .isEqualTo(code.text());
    }

    @Test
    void tooLong_isRefused() {
        assertThatThrownBy(() -> CodePicture.qr("x".repeat(8000))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> CodePicture.dataMatrix("x".repeat(8000))).isInstanceOf(IllegalArgumentException.class);
    }
}
