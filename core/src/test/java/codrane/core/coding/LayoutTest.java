package codrane.core.coding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LayoutTest {
    private static final Field STEP = new Field(
            "step", "Step lamp", 3, 3, Field.Kind.ENUMERATION, false, Map.of(0L, "off", 5L, "long"), Field.Scale.NONE);
    private static final Field LOAD = new Field(
            "load",
            "Load",
            8,
            16,
            Field.Kind.SCALED,
            true,
            Map.of(),
            new Field.Scale(new BigDecimal("0.5"), BigDecimal.ONE, "kg"));
    private static final BlockCheck CRC = new BlockCheck(BlockCheck.Kind.CRC16_CCITT_FALSE, 0, 3, 3, false);
    private static final Layout LAYOUT = new Layout("b", "Block", 0x611, 5, List.of(STEP, LOAD), CRC, Map.of());

    @Test
    void encode_oneField_changesOnlyItsBitsAndTheCheck() {
        Bytes original = CRC.apply(Bytes.of(0xFF, 0xFF, 0xFF, 0, 0));
        Bytes block = ((Layout.Encoded.Block) LAYOUT.encode(Map.of("step", "off"), original)).octets();
        assertThat(block.slice(0, 3)).isEqualTo(Bytes.of(0b11100011, 0xFF, 0xFF));
        assertThat(CRC.holds(block)).isTrue();
    }

    @Test
    void read_littleScaled_hasFactorOffsetAndUnit() {
        assertThat(LOAD.read(Bytes.of(0, 0x03, 0x01, 0, 0))).isEqualTo("130.5 kg");
    }

    @Test
    void encode_valueThatTheFieldCannotHold_isRefused() {
        Bytes original = Bytes.filled(5, 0);
        assertThat(LAYOUT.encode(Map.of("step", "blue"), original)).isInstanceOf(Layout.Encoded.Refused.class);
        assertThat(LAYOUT.encode(Map.of("load", "1.25 kg"), original)).isInstanceOf(Layout.Encoded.Refused.class);
        assertThat(LAYOUT.encode(Map.of("no", "1"), original)).isInstanceOf(Layout.Encoded.Refused.class);
        assertThat(LAYOUT.encode(Map.of("step", "off"), Bytes.EMPTY)).isInstanceOf(Layout.Encoded.Refused.class);
    }

    /** Whatever its octets are: a text is read and written back as it was, and what no octet stands for is refused. */
    @Test
    void text_anyOctets_areReadAndWrittenBackAsTheyWere() {
        Field words = new Field("words", "Words", 0, 32, Field.Kind.TEXT, false, Map.of(), Field.Scale.NONE);
        Layout layout = new Layout("t", "Text", 1, 4, List.of(words), BlockCheck.NONE, Map.of());
        Random random = new Random(4);
        for (int i = 0; i < 2000; i++) {
            byte[] octets = new byte[4];
            random.nextBytes(octets);
            for (int k = random.nextInt(4); k < 4; k++) octets[k] = ' ';
            Bytes block = Bytes.copyOf(octets);
            assertThat(layout.encode(layout.decode(block), Bytes.filled(4, 0)))
                    .isEqualTo(new Layout.Encoded.Block(block));
        }
        assertThat(layout.encode(Map.of("words", "\u0416"), Bytes.filled(4, 0)))
                .isEqualTo(new Layout.Encoded.Refused("Words can't be \u0416. It can hold at most 4 characters."));
    }

    @Test
    void range_ofWhatIsTyped_isSaidWhereItIsRefused() {
        for (var kind : Map.of(
                        Field.Kind.UNSIGNED, "0 to 255", Field.Kind.SIGNED, "-128 to 127", Field.Kind.BCD, "2 digits")
                .entrySet()) {
            Field field = new Field("f", "Field", 0, 8, kind.getKey(), false, Map.of(), Field.Scale.NONE);
            Layout layout = new Layout("l", "Block", 1, 1, List.of(field), BlockCheck.NONE, Map.of());
            assertThat(layout.encode(Map.of("f", "1000"), Bytes.filled(1, 0)))
                    .isEqualTo(new Layout.Encoded.Refused("Field can't be 1000. It can hold " + kind.getValue() + "."));
        }
    }

    @Test
    void diff_changedField_isNamed() {
        assertThat(LAYOUT.diff(Bytes.of(0, 0, 0, 0, 0), Bytes.of(0b00010100, 0, 0, 9, 9)))
                .containsExactly(new Layout.Change("step", "Step lamp", "off", "long"));
    }

    @Test
    void named_everyBit_isASettingsTheChecksOrLoose() {
        Bytes none = CRC.apply(Bytes.filled(5, 0));
        int loose = 0;
        for (int at = 0; at < LAYOUT.length() * 8; at++) {
            LooseBit bit = new LooseBit(at / 8, 7 - at % 8);
            int place = at;
            boolean taken = LAYOUT.fields().stream().anyMatch(f -> place >= f.at() && place < f.end()) || at / 8 >= 3;
            assertThat(LAYOUT.named(bit.key()).isPresent()).as(bit.key()).isEqualTo(!taken);
            if (taken) continue;
            loose++;
            Bytes set = ((Layout.Encoded.Block) LAYOUT.encode(Map.of(bit.key(), "1"), none)).octets();
            assertThat(LAYOUT.diff(none, set)).extracting(Layout.Change::key).containsExactly(bit.key());
            assertThat(CRC.holds(set)).isTrue();
        }
        assertThat(loose).isEqualTo(5);
        assertThat(LAYOUT.named("bit-5.0")).as("beyond the block").isEmpty();
        assertThat(LAYOUT.encode(Map.of("bit-0.7", "2"), none)).isInstanceOf(Layout.Encoded.Refused.class);
    }

    @Test
    void decodeEncode_randomLayouts_giveTheSameBlockAndTouchNothingElse() {
        Random random = new Random(7);
        for (int round = 0; round < 2000; round++) {
            int length = 1 + random.nextInt(12);
            Field field = field(random, length);
            byte[] octets = new byte[length];
            random.nextBytes(octets);
            Bytes block = Bytes.copyOf(octets);
            assertThat(field.write(block, field.read(block))).contains(block);
            random.nextBytes(octets);
            Bytes moved = field.write(block, field.read(Bytes.copyOf(octets))).orElseThrow();
            for (int bit = 0; bit < length * 8; bit++) {
                boolean inside = bit >= field.at() && bit < field.end();
                Bytes from = inside ? Bytes.copyOf(octets) : block;
                assertThat(moved.u8(bit / 8) >> (7 - bit % 8) & 1).isEqualTo(from.u8(bit / 8) >> (7 - bit % 8) & 1);
            }
        }
    }

    private static Field field(Random random, int length) {
        boolean little = random.nextBoolean();
        int at = little ? 8 * random.nextInt(length) : random.nextInt(length * 8);
        int room = Math.min(64, length * 8 - at);
        int bits = little ? 8 * (1 + random.nextInt(room / 8)) : 1 + random.nextInt(room);
        Field.Kind kind = random.nextBoolean() ? Field.Kind.SIGNED : Field.Kind.UNSIGNED;
        return new Field("f", "F", at, bits, kind, little, Map.of(), Field.Scale.NONE);
    }

    @Test
    void field_littleOverPartOfAnOctet_isRefused() {
        assertThrows(
                IllegalArgumentException.class,
                () -> new Field("f", "F", 3, 8, Field.Kind.UNSIGNED, true, Map.of(), Field.Scale.NONE));
    }

    @Test
    void blockCheck_everyKind_holdsAfterApplyingAndBreaksOnOneBit() {
        List<String> kinds = new ArrayList<>();
        for (BlockCheck.Kind kind : BlockCheck.Kind.values()) {
            if (kind == BlockCheck.Kind.NONE) continue;
            BlockCheck check = new BlockCheck(kind, 0, 8, 8, true);
            Bytes block = check.apply(Bytes.parse("0102030405060708 00000000"));
            byte[] damaged = block.toArray();
            damaged[2] ^= 0x10;
            assertThat(check.holds(block)).isTrue();
            assertThat(check.holds(Bytes.copyOf(damaged))).isFalse();
            kinds.add(kind.name());
        }
        assertThat(kinds).hasSize(5);
    }
}
