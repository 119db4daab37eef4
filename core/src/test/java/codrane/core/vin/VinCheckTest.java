package codrane.core.vin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.vin.VinCheck.CheckDigit;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class VinCheckTest {
    private static final VinRule LORNE = new VinRule(true, 2018, 2026);

    @ParameterizedTest
    @ValueSource(strings = {"11111111111111111", "0BKLR3A46MN004127", "0TVWP2E67TN002240", "0AWGN7K8XNN000052"})
    void of_vectors_areValid(String vin) {
        VinCheck check = VinCheck.of(vin, VinRule.UNKNOWN_MAKER);
        assertThat(check.valid()).isTrue();
        assertThat(check.checkDigit()).isEqualTo(CheckDigit.OK);
    }

    @Test
    void of_wrongCheckDigit_namesTheExpectedOne() {
        VinCheck check = VinCheck.of("0TVWP2E66TN002240", VinRule.UNKNOWN_MAKER);
        assertThat(check.valid()).isFalse();
        assertThat(check.checkDigit()).isEqualTo(CheckDigit.WRONG);
        assertThat(check.reason()).contains("ask for 7");
    }

    @Test
    void of_confusedCharacter_offersTheVinMeant() {
        VinCheck check = VinCheck.of("0BKLR3A46MN0O4127", LORNE);
        assertThat(check.valid()).isFalse();
        assertThat(check.reason()).isEqualTo("Position 13 is O; a VIN has no I, O or Q.");
        assertThat(check.suggestions()).containsExactly("0BKLR3A46MN004127");
    }

    @Test
    void of_swappedNeighbours_offersTheVinMeant() {
        assertThat(VinCheck.of("0BKLR3A46MN001427", LORNE).suggestions()).contains("0BKLR3A46MN004127");
    }

    @Test
    void of_confusablePair_offersTheVinMeant() {
        assertThat(VinCheck.of("0BKLR3A4GMN004127", LORNE).suggestions()).contains("0BKLR3A46MN004127");
    }

    @Test
    void of_lowerCaseWithBlanks_isMended() {
        assertThat(VinCheck.of(" 0bk lr3a46 mn004127 ", LORNE).vin()).contains(new Vin("0BKLR3A46MN004127"));
    }

    @Test
    void of_makerWithoutCheckDigit_isNotJudgedByIt() {
        VinCheck check = VinCheck.of("0PGDN4B2ZHC013377", new VinRule(false, 2010, 2024));
        assertThat(check.valid()).isTrue();
        assertThat(check.checkDigit()).isEqualTo(CheckDigit.UNUSED);
    }

    @ParameterizedTest
    @CsvSource({"0BKLR3A46MN004127, 2021", "0TVWP2E67TN002240, 2026"})
    void of_yearCode_isResolvedWithinTheRange(String vin, int year) {
        assertThat(VinCheck.of(vin, new VinRule(true, 2018, 2027)).modelYears()).containsExactly(year);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "0BKLR3A46MN00412", "0BKLR3A46MN0041277", "0BKLR3A46MN004I27", "0BKLR3A46MN00412é"})
    void of_rubbish_isRefusedWithAReason(String text) {
        VinCheck check = VinCheck.of(text, LORNE);
        assertThat(check.valid()).isFalse();
        assertThat(check.reason()).endsWith(".");
    }

    @Test
    void suggestions_always_passTheCheckThemselves() {
        Random random = new Random(3);
        String letters = "0123456789ABCDEFGHJKLMNPRSTUVWXYZ";
        for (int i = 0; i < 500; i++) {
            StringBuilder vin = new StringBuilder();
            for (int c = 0; c < 17; c++) vin.append(letters.charAt(random.nextInt(letters.length())));
            for (String suggestion :
                    VinCheck.of(vin.toString(), VinRule.UNKNOWN_MAKER).suggestions()) {
                assertThat(new Vin(suggestion).checkDigitFits()).isTrue();
                assertThat(suggestion).isNotEqualTo(vin.toString());
            }
        }
    }

    @Test
    void spelled_readsInGroups() {
        assertThat(new Vin("0BKLR3A46MN004127").spelled())
                .isEqualTo("0 Bravo Kilo · Lima Romeo 3 Alfa 4 6 · Mike November 0 0 4 1 2 7");
    }
}
