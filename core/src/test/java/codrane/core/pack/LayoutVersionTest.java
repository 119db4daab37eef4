package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Field;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which layout a software keeps a block by. */
class LayoutVersionTest {
    private static final String LIMITS = "lift-limits";

    @ParameterizedTest
    @CsvSource({
        "3.12, 12, 4",
        "3.10, 12, 4",
        "4.0, 12, 4", // newer than any that is known: as the newest
        "'', 12, 4", // not read
        "3.09, 10, 3",
        "3.00, 10, 3",
        "2.9, 12, 0", // older than any that is known
        "foreign, 12, 0" // no version at all
    })
    void as_software_choosesTheLayout(String software, int octets, int settings) {
        var layout = Packs.lorne().as(Map.of("tail-lift", software)).layout(LIMITS);
        assertThat(layout.length()).isEqualTo(octets);
        assertThat(layout.fields()).hasSize(settings);
    }

    @Test
    void as_twice_countsTheLastOnly() {
        Pack lorne = Packs.lorne();
        assertThat(lorne.as(Map.of("tail-lift", "3.08")).as(Map.of()).layout(LIMITS))
                .isEqualTo(lorne.layout(LIMITS));
    }

    @Test
    void earlier_withoutSettingsInTheMiddle_hasThoseBehindBefore() {
        Pack gannet = Packs.load("ardwyn-gannet");
        var now = gannet.layout("engine-aids");
        var then = gannet.as(Map.of("engine", "9.0")).layout("engine-aids");
        assertThat(then.length()).isLessThan(now.length());
        Field last = now.fields().getLast();
        assertThat(then.field(last.key()).orElseThrow().at()).isEqualTo(last.at() - 8 * (now.length() - then.length()));
        assertThat(then.field(now.fields().getFirst().key()))
                .contains(now.fields().getFirst());
    }

    @Test
    void range_isSaidInWords() {
        assertThat(Packs.lorne().versions().get(LIMITS))
                .extracting(LayoutVersion::range)
                .containsExactly("3.10 and newer", "3.00 to before 3.10");
        assertThat(Packs.lorne().versions().get("body-cabin"))
                .extracting(LayoutVersion::range)
                .containsExactly("3.28 and newer", "before 3.28");
    }
}
