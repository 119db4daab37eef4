package codrane.core.response;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.response.FrequencyResponse.Band;
import codrane.core.response.FrequencyResponse.Point;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class RankingTest {
    private static FrequencyResponse tilted(double db) {
        return new FrequencyResponse(List.of(new Point(40, -db), new Point(18_000, db)));
    }

    private static Ranking of(Map<String, FrequencyResponse> responses) {
        return Ranking.of(new LinkedHashMap<>(responses), Band.SPEECH);
    }

    @Test
    void of_several_putsTheFlattestFirst() {
        Ranking ranking = of(Map.of("plain", tilted(9), "speech", tilted(2), "wide", tilted(5)));
        assertThat(ranking.places()).extracting(Ranking.Place::name).containsExactly("speech", "wide", "plain");
        assertThat(ranking.sentence()).startsWith("speech is the flattest: ").endsWith(" of wide.");
        assertThat(ranking.audible()).isTrue();
    }

    @Test
    void of_twoThatHardlyDiffer_saysThatNobodyHearsIt() {
        assertThat(of(Map.of("plain", tilted(3), "speech", tilted(3.2))).sentence())
                .endsWith("nobody hears that.");
    }

    @Test
    void judged_sellersAdvice_isComparedWithWhatWasHeard() {
        Ranking ranking = of(Map.of("plain", tilted(9), "speech", tilted(2), "wide", tilted(2.2)));
        assertThat(ranking.judged("plain"))
                .matches("The seller advises “plain”, which strays by \\d\\.\\d dB; “speech” strays by \\d\\.\\d dB:"
                        + " the microphone says otherwise\\.");
        assertThat(ranking.judged("Wide")).endsWith("nobody hears a difference to “speech”.");
        assertThat(ranking.judged("speech")).endsWith("nobody hears a difference to “wide”.");
        assertThat(ranking.judged("soft")).endsWith("it was not heard yet.");
        assertThat(of(Map.of("plain", tilted(9), "speech", tilted(2))).judged("speech"))
                .endsWith("and it is the flattest that was heard.");
        assertThat(of(Map.of("plain", tilted(9))).judged("plain"))
                .endsWith("nothing else was heard to compare it with.");
        assertThat(of(Map.of()).judged("plain")).endsWith("it was not heard yet.");
    }

    @Test
    void of_oneThatDoesNotReachOverTheBand_isNotRanked() {
        FrequencyResponse telephone = new FrequencyResponse(List.of(new Point(300, 0), new Point(3400, 0)));
        Ranking ranking = of(Map.of("plain", tilted(3), "telephone", telephone));
        assertThat(ranking.places()).extracting(Ranking.Place::name).containsExactly("plain");
        assertThat(ranking.tooShort()).containsExactly("telephone");
        assertThat(ranking.sentence()).isEmpty();
    }

    @Test
    void middles_ofTheBands_areTheirThirdOctaves() {
        assertThat(Band.SPEECH.middles())
                .startsWith(160, 200, 250)
                .contains(1250)
                .endsWith(8000)
                .hasSize(18);
        assertThat(Band.FULL.middles()).startsWith(63, 80, 100).endsWith(16_000);
    }
}
