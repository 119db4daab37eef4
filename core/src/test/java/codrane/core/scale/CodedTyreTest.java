package codrane.core.scale;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Field;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLoader;
import codrane.core.pack.PackResult;
import codrane.core.pack.Packs;
import codrane.core.pack.SettingRule;
import java.math.BigDecimal;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A tyre's size becomes the nearest value that the module can hold and that never shows too little. */
class CodedTyreTest {
    private static final Pack GANNET = Packs.load("ardwyn-gannet");
    private static final Field FIELD =
            GANNET.layout("instruments-wheels").field("tyre.circumference").orElseThrow();
    private static final SettingRule RULE = GANNET.setting("instruments-wheels", "tyre.circumference");

    @Test
    void anySize_isRoundedUpByLessThanAStep() {
        Random random = new Random(20261130);
        for (int i = 0; i < 2000; i++) {
            TyreSize size = new TyreSize(
                    105 + 5 * random.nextInt(71), 20 + 5 * random.nextInt(17), 8 + random.nextInt(45) / 2.0);
            BigDecimal coded = CodedTyre.of(size, FIELD);
            assertThat(coded.doubleValue()).isBetween(size.circumference(), size.circumference() + 2);
            assertThat(coded.intValueExact() % 2).isZero();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "225/70R15C, 2116 mm", // 2114.4
        "' 215/65 r16c ', 2084 mm", // 2083.7
        "2260 mm, 2260 mm",
        "2300, 2300",
        "225/70, 225/70" // no size: refused where it is encoded
    })
    void wish_isASizeOrAValue(String typed, String meant) {
        assertThat(RULE.meant(typed, FIELD)).isEqualTo(meant);
    }

    @Test
    void size_whereNoTyreIsMeant_staysWhatItIs() {
        assertThat(SettingRule.NONE.meant("225/70R15C", FIELD)).isEqualTo("225/70R15C");
    }

    @Test
    void effect_saysWhatIsShownThen() {
        assertThat(CodedTyre.effect(new BigDecimal(2260), new BigDecimal(2116)))
                .startsWith("Where 100 km/h were shown it is 93.6 km/h then: compare it with a measured way");
    }

    @Test
    void pack_whoseTyreIsNotInMillimetres_isNamed() {
        String yaml = Packs.text("ardwyn-gannet").replace("factor: 2, unit: mm", "factor: 2, unit: m");
        assertThat(PackLoader.load("x.yaml", yaml))
                .isInstanceOfSatisfying(
                        PackResult.Invalid.class,
                        bad -> assertThat(bad.problems())
                                .anySatisfy(p -> assertThat(p.reason()).contains("is for a value in mm only")));
    }
}
