package codrane.app.stage.bench;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.job.BenchNotes;
import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.job.BenchNotes.Other;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed at the bench. */
class BenchFormTest {
    private static BenchForm form(String other, String role, String volts, String hours, String unit) {
        return new BenchForm(
                true, null, null, List.of(other), List.of(role), "agm", "92", volts, hours, "", unit, "90", "no");
    }

    private static BenchNotes notes(BenchForm form) {
        return ((BenchForm.Read.Notes) form.read()).notes();
    }

    @Test
    void read_measuredBattery_isKeptWithACommaToo() {
        BenchNotes notes = notes(form("", "listens", "12,6", "5", "13.8"));
        assertThat(notes.battery()).contains(new BatteryNote("agm", 92, 12.6, 5, 20, 13.8, 90));
        assertThat(notes.cableSeen()).isTrue();
        assertThat(notes.sleepOff()).isFalse(); // a box that is not ticked is not sent
    }

    @Test
    void read_noRestingVoltage_measuresNothing() {
        assertThat(notes(form("", "", " ", "", "")).battery()).isEmpty();
    }

    @Test
    void read_secondWriter_isNamed() {
        assertThat(notes(form("Wren", "writes", "", "", "")).secondWriter()).contains("Wren");
        BenchNotes listening = notes(form("Wren", "listens", "", "", ""));
        assertThat(listening.others()).containsExactly(new Other("Wren", false));
        assertThat(listening.secondWriter()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "twelve, 5, 13.8, Resting voltage is a number from 5 to 20",
        "3, 5, 13.8, Resting voltage is a number from 5 to 20",
        "12.6, -1, 13.8, Hours of rest is a number from 0 to 10000",
        "12.6, 5, 99, Set-point of the support unit is a number from 0 to 16"
    })
    void read_wrongNumber_saysWhichAndWhatIsExpected(String volts, String hours, String unit, String sentence) {
        assertThat(((BenchForm.Read.Wrong) form("", "", volts, hours, unit).read()).sentence())
                .contains(sentence);
    }

    @Test
    void read_anything_neverThrows() {
        Random random = new Random(17);
        for (int round = 0; round < 2000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(12); i > 0; i--) text.append((char) (random.nextInt(96) + 32));
            assertThat(form(text.toString(), "writes", text.toString(), text.toString(), "")
                            .read())
                    .isNotNull();
        }
    }
}
