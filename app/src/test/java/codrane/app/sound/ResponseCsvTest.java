package codrane.app.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResponseCsvTest {
    @Test
    void read_headingBlanksAndEmptyLines_areNoRows() {
        assertThat(ResponseCsv.read("\uFEFFhz,db\r\n\r\n 100 , -3.5\r\n200,1\r\n")
                        .points())
                .hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'100,1\nabc,2' | row 2 is not hz,db",
                "'100,1\n200' | row 2 is not hz,db",
                "'100,1' | expected two frequencies",
                "'100,1\n0.1,2' | expected 1..100000",
                "'100,1\n200,900' | expected -200..200",
                "'' | expected two frequencies"
            })
    void read_whatIsNoResponse_namesWhatIsWrong(String text, String wrong) {
        assertThatThrownBy(() -> ResponseCsv.read(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(wrong);
    }
}
