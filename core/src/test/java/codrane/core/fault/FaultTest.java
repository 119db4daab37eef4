package codrane.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.fault.FaultLedger.Outcome;
import codrane.core.octets.Bytes;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FaultTest {
    @ParameterizedTest
    @CsvSource({"B1A04-54, 9A0454", "P0000-00, 000000", "U3FFF-FF, FFFFFF", "C1027-16, 502716"})
    void faultCode_text_isItsOctets(String text, String octets) {
        assertThat(FaultCode.parse(text).octets()).isEqualTo(Bytes.parse(octets));
        assertThat(new FaultCode(Integer.parseInt(octets, 16)).text()).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "X0000-00", "P4000-00", "P0000", "P00G0-00"})
    void faultCode_rubbish_isRefused(String text) {
        assertThrows(IllegalArgumentException.class, () -> FaultCode.parse(text));
    }

    @Test
    void ledger_beforeAndAfter_tellsGoneStaysAndNew() {
        Fault a = new Fault("tail-lift", new FaultCode(1), 0x09);
        Fault b = new Fault("body", new FaultCode(2), 0x08);
        Fault otherModule = new Fault("brakes", new FaultCode(1), 0x09);
        FaultLedger ledger = FaultLedger.of(List.of(a, b), List.of(b, otherModule), false);
        assertThat(ledger.entries())
                .extracting(FaultLedger.Entry::outcome)
                .containsExactly(Outcome.GONE, Outcome.STAYS, Outcome.NEW);
    }
}
