package codrane.core.coding;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.LayoutVersion;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A block that one software kept, as another keeps it: nothing but by its name. */
class CarriedTest {
    private static final int ROUNDS = 20;

    /** Two ways of keeping one block. */
    record Pair(Layout from, Layout to) {}

    static List<Pair> pairs() {
        List<Pair> pairs = new ArrayList<>();
        for (String id : Packs.all())
            for (List<LayoutVersion> versions : Packs.load(id).versions().values())
                for (LayoutVersion one : versions)
                    for (LayoutVersion other : versions) pairs.add(new Pair(one.layout(), other.layout()));
        return pairs;
    }

    @Test
    void packs_haveBlocksThatNotEverySoftwareKeepsAlike() {
        assertThat(Packs.all()).allMatch(id -> !Packs.load(id).versions().isEmpty());
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void settingThatBothKnow_keepsItsValue_andTheCheckHolds(Pair pair) {
        Random random = new Random(7);
        for (int i = 0; i < ROUNDS; i++) {
            Bytes block = listed(pair.from(), random);
            Carried carried = Carried.of(pair.from(), block, pair.to());
            assertThat(carried.block().length()).isEqualTo(pair.to().length());
            assertThat(pair.to().check().holds(carried.block())).isTrue();
            Map<String, String> was = pair.from().decode(block);
            Map<String, String> is = pair.to().decode(carried.block());
            for (Field field : pair.to().fields()) {
                String value = Optional.ofNullable(was.get(field.key()))
                        .orElse(pair.to().factory().getOrDefault(field.key(), is.get(field.key())));
                assertThat(is.get(field.key()))
                        .as(field.key())
                        .isEqualTo(pair.to().worded(field.key(), value));
            }
            assertThat(carried.gone()).hasSize((int) was.keySet().stream()
                    .filter(key -> pair.to().field(key).isEmpty())
                    .count());
        }
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void thereAndBack_givesWhatBothKnow(Pair pair) {
        Bytes block = listed(pair.from(), new Random(11));
        Bytes back = Carried.of(
                        pair.to(), Carried.of(pair.from(), block, pair.to()).block(), pair.from())
                .block();
        Map<String, String> was = pair.from().decode(block);
        Map<String, String> is = pair.from().decode(back);
        for (Field field : pair.from().fields())
            if (pair.to().field(field.key()).isPresent())
                assertThat(is.get(field.key())).as(field.key()).isEqualTo(was.get(field.key()));
    }

    @Test
    void sameLayout_keepsEveryBit_evenThoseThatNobodyExplains() {
        Layout layout = Packs.lorne().layout("lift-limits");
        Bytes block = layout.check().apply(Bytes.filled(layout.length(), 0x5A));
        assertThat(Carried.of(layout, block, layout).block()).isEqualTo(block);
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void rawBits_ofSettingsThatBothKnow_areKept_listedOrNot(Pair pair) {
        byte[] any = new byte[pair.from().length()];
        new Random(13).nextBytes(any);
        Bytes block = Bytes.copyOf(any);
        Bytes carried = Carried.of(pair.from(), block, pair.to()).block();
        for (Field field : pair.to().fields())
            pair.from()
                    .field(field.key())
                    .filter(was -> was.kind() != Field.Kind.TEXT && was.kind() != Field.Kind.BCD)
                    .ifPresent(was ->
                            assertThat(field.raw(carried)).as(field.key()).isEqualTo(was.raw(block)));
    }

    @Test
    void valueThatTheOtherCannotHold_isAsBuilt_andSaid() {
        Pack lorne = Packs.lorne();
        Layout now = lorne.layout("lift-limits");
        Layout then = lorne.as(Map.of("tail-lift", "3.08")).layout("lift-limits");
        Bytes block = ((Layout.Encoded.Block) then.encode(then.factory(), Bytes.filled(then.length(), 0))).octets();
        Carried carried = Carried.of(then, block, now);
        assertThat(carried.fresh()).containsExactly("Longest pump run");
        assertThat(now.decode(carried.block())).containsEntry("pump.seconds", "25 s");
        assertThat(Carried.of(now, carried.block(), then).gone()).containsExactly("Longest pump run");
    }

    /** A block in which every setting has a value that its layout lists. */
    private static Bytes listed(Layout layout, Random random) {
        Bytes block = Bytes.filled(layout.length(), 0);
        for (Field field : layout.fields()) {
            List<String> values = List.copyOf(field.values().values());
            String value = values.isEmpty()
                    ? field.read(Bytes.filled(layout.length(), field.kind() == Field.Kind.TEXT ? 'A' : 0x11))
                    : values.get(random.nextInt(values.size()));
            block = field.write(block, value).orElse(block);
        }
        return layout.check().apply(block);
    }
}
