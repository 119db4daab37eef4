package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Every block of every pack, in every version of its layout. */
class ShippedLayoutsTest {
    private static final int ROUNDS = 8;

    static Stream<Layout> layouts() {
        return Packs.all().stream().map(Packs::load).flatMap(ShippedLayoutsTest::layouts);
    }

    private static Stream<Layout> layouts(Pack pack) {
        List<Layout> all = new ArrayList<>(pack.layouts().values());
        pack.versions().values().forEach(versions -> versions.forEach(v -> all.add(v.layout())));
        return all.stream();
    }

    /** A block of which every setting has a value that it can have, and whatever else stands between them. */
    private static Bytes random(Layout layout, Random random) {
        byte[] octets = new byte[layout.length()];
        random.nextBytes(octets);
        Bytes block = Bytes.copyOf(octets);
        for (Field field : layout.fields())
            if (field.kind() == Field.Kind.ENUMERATION || field.kind() == Field.Kind.BCD)
                block = field.write(block, listed(field, random)).orElseThrow();
        return layout.check().apply(block);
    }

    private static String listed(Field field, Random random) {
        if (field.kind() == Field.Kind.BCD)
            return String.valueOf(random.nextInt(10)).repeat(field.bits() / 4);
        List<String> values = field.values().values().stream().sorted().toList();
        return values.get(random.nextInt(values.size()));
    }

    @ParameterizedTest
    @MethodSource("layouts")
    void block_decodedAndEncoded_isTheSame(Layout layout) {
        Random random = new Random(layout.id().hashCode());
        for (int round = 0; round < ROUNDS; round++) {
            Bytes block = random(layout, random);
            Map<String, String> read = layout.decode(block);
            assertThat(encoded(layout, read, block)).isEqualTo(block);
            assertThat(layout.decode(encoded(layout, read, Bytes.filled(layout.length(), 0))))
                    .isEqualTo(read);
        }
    }

    @ParameterizedTest
    @MethodSource("layouts")
    void oneSetting_changed_movesNoOtherBitButTheCheck(Layout layout) {
        Random random = new Random(layout.id().hashCode() + 1L);
        for (Field field : layout.fields()) {
            Bytes block = random(layout, random);
            String value = field.read(random(layout, random));
            Bytes changed = encoded(layout, Map.of(field.key(), value), block);
            Bytes only = layout.check().apply(field.write(block, value).orElseThrow());
            assertThat(changed).as(field.key()).isEqualTo(only);
            for (int bit = 0; bit < layout.length() * 8; bit++) {
                boolean own = bit >= field.at() && bit < field.end();
                boolean same = (changed.u8(bit / 8) >> (7 - bit % 8) & 1) == (block.u8(bit / 8) >> (7 - bit % 8) & 1);
                assertThat(own || same || ofTheCheck(layout, bit))
                        .as(field.key() + " bit " + bit)
                        .isTrue();
            }
        }
    }

    /** Whether the check of a block moves when nothing else does but this bit. */
    private static boolean ofTheCheck(Layout layout, int bit) {
        byte[] octets = new byte[layout.length()];
        octets[bit / 8] = (byte) (1 << (7 - bit % 8));
        Bytes clean = layout.check().apply(Bytes.filled(layout.length(), 0));
        return layout.check().apply(xor(clean, octets)).equals(clean);
    }

    private static Bytes xor(Bytes block, byte[] with) {
        byte[] octets = block.toArray();
        for (int i = 0; i < octets.length; i++) octets[i] ^= with[i];
        return Bytes.copyOf(octets);
    }

    private static Bytes encoded(Layout layout, Map<String, String> values, Bytes in) {
        return ((Layout.Encoded.Block) layout.encode(values, in)).octets();
    }

    /** Of a new vehicle, with no vehicle's end in them; their checks were computed by another program, too. */
    @ParameterizedTest
    @CsvSource({
        "tolvane-wisp, climate-main, 800F00000000006E",
        "ardwyn-gannet, spreader-main, 0000000000003C544028280000000754",
        "ardwyn-gannet, instruments-wheels, 046A00AA",
        "peregil-dunlin, body-main, 00000000000070000000000000001966",
        "brennick-lorne, lift-main, 0000000000002E50400000000000000000000000000047A2",
        "brennick-almery, body-lamps, 00001E300000000000000000000071EB",
        "tolvane-chorus, doors-main, 000000000000400900001134"
    })
    void block_ofANewVehicle_isThis(String pack, String block, String hex) {
        Layout layout = Packs.load(pack).layout(block);
        assertThat(encoded(layout, layout.factory(), Bytes.filled(layout.length(), 0))
                        .hex())
                .isEqualTo(hex);
    }
}
