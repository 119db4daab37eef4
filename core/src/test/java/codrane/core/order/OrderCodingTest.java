package codrane.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.order.OrderEffect.Change;
import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What follows from option codes. */
class OrderCodingTest {
    private static final Pack CHORUS = Packs.load("tolvane-chorus");
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final List<String> BUILT = List.of("MKT1", "RMP1", "WSH1", "WCH2");

    static Stream<Pack> packs() {
        return Packs.all().stream()
                .map(Packs::load)
                .filter(pack -> pack.equipment().order().isPresent());
    }

    private static VehicleOrder order(Pack pack) {
        return pack.equipment().order().orElseThrow();
    }

    private static Setting setting(String layout, String field) {
        return new Setting(layout, field);
    }

    @ParameterizedTest
    @MethodSource("packs")
    void derive_codesAsBuilt_givesTheValuesAsBuilt(Pack pack) {
        OrderCoding.derive(order(pack), order(pack).factory()).forEach((setting, value) -> {
            Layout layout = pack.layout(setting.layout());
            Bytes blank = Bytes.filled(layout.length(), 0);
            Layout.Encoded.Block built = (Layout.Encoded.Block) layout.encode(layout.factory(), blank);
            assertThat(layout.decode(built.octets()))
                    .as(pack.id() + " " + setting)
                    .containsEntry(setting.field(), value);
        });
    }

    @ParameterizedTest
    @MethodSource("packs")
    void rules_ofEachCodeSomethingFollows_unlessNoModuleKnowsOfItsFamily(Pack pack) {
        List<String> unknown = order(pack).families().values().stream()
                .map(Equipment.Family::codes)
                .filter(codes -> OrderCoding.about(order(pack), codes).isEmpty())
                .flatMap(List::stream)
                .toList();
        assertThat(unknown).contains("PNT1").doesNotContain("MKT1", "MIR1");
        assertThat(order(pack).titles().keySet())
                .filteredOn(code -> !unknown.contains(code))
                .allSatisfy(code -> assertThat(OrderCoding.about(order(pack), List.of(code)))
                        .isNotEmpty());
    }

    @ParameterizedTest
    @MethodSource("packs")
    void of_codesOutAndInAgain_giveNothing(Pack pack) {
        Random random = new Random(8);
        List<String> all = List.copyOf(order(pack).titles().keySet());
        for (int i = 0; i < 200; i++) {
            List<String> now = all.stream().filter(c -> random.nextBoolean()).toList();
            List<String> some = now.stream().filter(c -> random.nextBoolean()).toList();
            OrderEffect effect = OrderEffect.of(pack, now, some, some, Map.of());
            assertThat(effect.modules()).isEmpty();
            assertThat(effect.intended()).isEmpty();
            assertThat(effect.sideEffects()).isEmpty();
            List<String> others =
                    all.stream().filter(c -> !now.contains(c)).limit(2).toList();
            List<String> then =
                    OrderEffect.of(pack, now, some, others, Map.of()).codes();
            assertThat(back(pack, then, others, some)).isEqualTo(OrderCoding.derive(order(pack), now));
        }
    }

    private static Map<Setting, String> back(Pack pack, List<String> then, List<String> out, List<String> in) {
        return OrderCoding.derive(
                order(pack), OrderEffect.of(pack, then, out, in, Map.of()).codes());
    }

    @Test
    void derive_moreSpecificRule_counts() {
        Setting platform = setting("lift-main", "platform");
        assertThat(OrderCoding.derive(order(ALMERY), List.of("LFT1", "CMP1"))).containsEntry(platform, "folding");
        assertThat(OrderCoding.derive(order(ALMERY), List.of("LFT1"))).containsEntry(platform, "aluminium");
        assertThat(OrderCoding.derive(order(ALMERY), List.of("CMP1"))).doesNotContainKey(platform);
    }

    @Test
    void of_foldingRampForTheFixedOne_changesWhatKnowsTheRamp_andNothingElse() {
        OrderEffect effect = OrderEffect.of(CHORUS, BUILT, List.of("RMP1"), List.of("RMP2"), Map.of());
        assertThat(effect.codes()).containsExactly("MKT1", "WSH1", "WCH2", "RMP2");
        assertThat(effect.modules()).containsExactly("body", "doors", "ramp");
        assertThat(effect.intended())
                .extracting(Change::words)
                .containsExactly(
                        "\"Ramp\" from fixed to folding",
                        "\"Ramp at door 1\" from fixed to folding",
                        "\"Kind\" from fixed to folding");
        assertThat(effect.sideEffects()).isEmpty();
        assertThat(effect.emptyFamilies()).containsExactly();
    }

    @Test
    void of_moduleThatDisagreedBefore_isASideEffect_onlyWhereItIsCodedAnyway() {
        Map<Setting, String> held = Map.of(
                setting("body-main", "market"), "mainland",
                setting("restraints-main", "places"), "1");
        OrderEffect effect = OrderEffect.of(CHORUS, BUILT, List.of("WSH1"), List.of("CNT1"), held);
        assertThat(effect.modules()).containsExactly("body", "doors");
        assertThat(effect.sideEffects())
                .extracting(Change::words)
                .containsExactly("\"Market\" from mainland to island");
        assertThat(effect.intended())
                .extracting(Change::title)
                .containsExactly("Passenger counting", "Counts passengers", "Wash mode");
    }

    @Test
    void of_whatTheModuleHoldsAlready_isNoChange() {
        Map<Setting, String> held = Map.of(setting("body-main", "wash"), "no");
        OrderEffect effect = OrderEffect.of(CHORUS, BUILT, List.of("WSH1"), List.of(), held);
        assertThat(effect.modules()).isEmpty();
        assertThat(effect.emptyFamilies()).containsExactly("floor");
    }

    @Test
    void of_noRampLeft_turnsItsWarningOff() {
        List<Change> intended = new ArrayList<>(OrderEffect.of(CHORUS, BUILT, List.of("RMP1"), List.of(), Map.of())
                .intended());
        assertThat(intended).extracting(Change::words).contains("\"Ramp warning\" from yes to no");
    }
}
