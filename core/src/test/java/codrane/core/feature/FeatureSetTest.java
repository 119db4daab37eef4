package codrane.core.feature;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.core.feature.FeatureSet.Solved;
import codrane.core.pack.Feature;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Features that are wanted together. */
class FeatureSetTest {
    private static final Pack CHORUS = Packs.load("tolvane-chorus");

    static Stream<Pack> packs() {
        return Packs.all().stream().map(Packs::load);
    }

    private static List<String> ids(List<Feature> features) {
        return features.stream().map(Feature::id).toList();
    }

    @Test
    void of_oneFeature_isItsSettings() {
        Solved.Together solved = (Solved.Together) FeatureSet.of(CHORUS, List.of("counting"));
        assertThat(ids(solved.features())).containsExactly("counting");
        assertThat(solved.values())
                .containsOnlyKeys(
                        new Feature.Setting("body-main", "counting"), new Feature.Setting("doors-main", "counting"))
                .containsValue("yes");
    }

    @Test
    void of_twoThatExcludeEachOther_isTheirConflict() {
        Solved.Conflict conflict = (Solved.Conflict) FeatureSet.of(CHORUS, List.of("wash", "counting"));
        assertThat(ids(conflict.features())).containsExactly("counting", "wash");
        assertThat(conflict.reason()).isEqualTo("Passenger counting does not go with Wash mode.");
    }

    @Test
    void of_featureThatNeedsAnother_bringsIt() {
        Solved.Together solved = (Solved.Together) FeatureSet.of(CHORUS, List.of("mirrors-dip"));
        assertThat(ids(solved.features())).containsExactly("mirrors-remember", "mirrors-dip");
        assertThat(ids(solved.needed())).containsExactly("mirrors-remember");
        assertThat(solved.values()).containsKey(new Feature.Setting("body-outside", "mirror.left.remembers"));
    }

    @Test
    void of_oneAmongMany_standsAgainstTheLeastThatDoNotGoTogether() {
        Solved.Conflict conflict = (Solved.Conflict)
                FeatureSet.of(CHORUS, List.of("mirrors-fold", "key-left-in", "quiet-depot", "lamps-left-on"));
        assertThat(ids(conflict.features())).hasSize(2).contains("quiet-depot");
        assertThat(conflict.reason()).startsWith("Quiet in the yard does not go with");
    }

    @Test
    void of_unknownFeature_isRefused() {
        assertThatThrownBy(() -> FeatureSet.of(CHORUS, List.of("sails"))).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @MethodSource("packs")
    void of_anySet_isSolvedOrAConflictOfWhichNoneCanBeLeftOut(Pack pack) {
        List<String> all = ids(pack.equipment().features());
        Random random = new Random(5);
        for (int i = 0; i < 100; i++) {
            List<String> wanted = new ArrayList<>(
                    all.stream().filter(f -> random.nextBoolean()).toList());
            Solved solved = FeatureSet.of(pack, wanted);
            Collections.shuffle(wanted, random);
            assertThat(FeatureSet.of(pack, wanted)).isEqualTo(solved);
            if (!(solved instanceof Solved.Conflict conflict)) continue;
            List<String> least = ids(conflict.features());
            assertThat(wanted).containsAll(least);
            for (String one : least)
                assertThat(FeatureSet.of(
                                pack, least.stream().filter(f -> !f.equals(one)).toList()))
                        .as("without " + one)
                        .isInstanceOf(Solved.Together.class);
        }
    }
}
