package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LineInstructionTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final Layout LAMPS = ALMERY.layouts().get("body-lamps");

    private static Map<String, Bytes> coding() {
        Map<String, Bytes> blocks = new HashMap<>();
        for (Layout layout : ALMERY.blocksOf(ALMERY.module("body")))
            blocks.put(
                    layout.id(),
                    ((Layout.Encoded.Block) layout.encode(Map.of(), Bytes.filled(layout.length(), 0x30))).octets());
        return blocks;
    }

    private static LineInstruction.Applied apply(String text) {
        var read = (LineInstruction.Read.Instruction) LineInstruction.read(text);
        return read.instruction().apply(ALMERY, module -> coding());
    }

    @Test
    void apply_octetOfTheSecondBlock_changesItAndTheCheckAndNothingElse() {
        var changed = (LineInstruction.Applied.Changed) apply("BOD/03 byte 4: 30 -> 50");
        assertThat(changed.block()).isEqualTo("body-lamps");
        assertThat(changed.to().u8(3)).isEqualTo(0x50);
        for (int i = 0; i < 14; i++)
            if (i != 3) assertThat(changed.to().u8(i)).isEqualTo(changed.from().u8(i));
        assertThat(LAMPS.check().holds(changed.to())).isTrue();
        assertThat(LAMPS.decode(changed.to()).get("lamp.step.hold")).isEqualTo("10 s");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "BOD/03 octet 4: 31 -> 50 | is 30, and the instruction says 31",
                "BOD/99 octet 1: 30 -> 50 | has no byte 1 in line 99",
                "QQQ/01 octet 1: 30 -> 50 | No module of this model has the tag QQQ",
                "BRK/01 octet 1: 30 -> 50 | was not read as the pack describes it"
            })
    void apply_anotherLayoutOrModule_isRefused(String text, String sentence) {
        assertThat(((LineInstruction.Applied.Refused) apply(text)).sentence()).contains(sentence);
    }

    @Test
    void apply_checkOctet_isComputedAndNotTyped() {
        int check = coding().get("body-lamps").u8(15);
        String text = "BOD/04 octet 8: %02X -> %02X".formatted(check, check ^ 0xFF);
        assertThat(((LineInstruction.Applied.Refused) apply(text)).sentence()).contains("computed, not typed");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "BOD/03",
                "BOD/03 octet 9: 30 -> 50",
                "BOD/03 octet 4: 3 -> 50",
                "BOD/0 octet 1: 30 -> 50",
                "BOD/300 octet 1: 30 -> 50"
            })
    void read_anotherForm_saysHow(String text) {
        assertThat(((LineInstruction.Read.Wrong) LineInstruction.read(text)).sentence())
                .isNotBlank();
    }

    @Test
    void apply_octetThatSaysForWhichVehicle_isRefused() {
        Layout main = ALMERY.layout("body-main");
        int at = main.field(ALMERY.madeFor().get("body-main")).orElseThrow().at() / 8;
        String text = "BOD/01 byte %d: 30 -> 31".formatted(at + 1);
        assertThat(((LineInstruction.Applied.Refused) apply(text)).sentence()).contains("for which vehicle");
    }

    /** Found by trying: the second instruction of a block undid the first without a word. */
    @Test
    void beside_anotherInstructionOfTheBlock_keepsBoth() {
        var first = (LineInstruction.Applied.Changed) apply("BOD/03 byte 4: 30 -> 50");
        var second = (LineInstruction.Applied.Changed) apply("BOD/03 byte 3: 30 -> 1E");
        Bytes both = second.beside(LAMPS, first.to()).to();
        assertThat(both.u8(2)).isEqualTo(0x1E);
        assertThat(both.u8(3)).isEqualTo(0x50);
        assertThat(LAMPS.check().holds(both)).isTrue();
        for (int i = 4; i < 14; i++)
            assertThat(both.u8(i)).isEqualTo(first.from().u8(i));
    }

    @Test
    void read_anything_neverThrows() {
        Random random = new Random(6);
        String letters = "BOD/0123 octet:->5C";
        for (int round = 0; round < 5000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(30); i > 0; i--) text.append(letters.charAt(random.nextInt(letters.length())));
            assertThat(LineInstruction.read(text.toString())).isNotNull();
        }
    }
}
