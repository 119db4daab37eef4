package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WorkAskedTest {
    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, tail-lift, SECOND_HAND, REPLACE_MODULE",
        "brennick-lorne, tail-lift, NEW, REPLACE_BY_NEW",
        "brennick-lorne, gearbox, SECOND_HAND, REPLACE_IMMOBILISER",
        "brennick-lorne, climate, NEW, REPLACE_MODULE",
        "brennick-almery, front-radar, NEW, REPLACE_SENSOR",
        "peregil-dunlin, steering, NEW, REPLACE_LICENSED",
        "peregil-dunlin, body, NEW, REPLACE_IMMOBILISER",
        "ardwyn-gannet, spreader, NEW, REPLACE_BY_NEW"
    })
    void kind_ofAPart_followsFromWhatItIs(String pack, String module, PartOrigin origin, JobKind kind) {
        assertThat(WorkAsked.kind("PART", Packs.load(pack), Optional.of(module), Optional.of(origin)))
                .contains(kind);
    }

    @Test
    void kind_ofEverythingElse_isTheSentencesOwn() {
        Pack lorne = Packs.lorne();
        for (WorkAsked asked : WorkAsked.values())
            assertThat(WorkAsked.kind(asked.value(), lorne, Optional.empty(), Optional.empty()))
                    .as(asked.sentence())
                    .isPresent();
        assertThat(WorkAsked.kind("anything", lorne, Optional.empty(), Optional.empty()))
                .isEmpty();
        Set<JobKind> asked = Arrays.stream(WorkAsked.values())
                .filter(w -> w != WorkAsked.PART)
                .map(w -> JobKind.valueOf(w.value()))
                .collect(Collectors.toSet());
        assertThat(Arrays.stream(JobKind.values()).filter(k -> !k.replaces() && k != JobKind.READY_TOOL))
                .as("every kind of work can be asked for")
                .allMatch(asked::contains);
    }
}
