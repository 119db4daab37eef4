package codrane.core.baseline;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.BaselineFile.Block;
import codrane.core.baseline.BaselineFile.Module;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.plan.Situations;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Settings lost since they were left, what may be put back, and values beside those of healthy vehicles. */
class DriftTest {
    private static final Layout LIFT = Situations.LORNE.layouts().get("lift-main");
    private static final Bytes LEFT = Situations.coded(LIFT, Situations.VIN);

    private static Bytes with(String field, String value) {
        return ((Layout.Encoded.Block) LIFT.encode(Map.of(field, value), LEFT)).octets();
    }

    private static BaselineFile file(String vin, String serial, String software, Bytes block) {
        Module lift = new Module(
                "tail-lift",
                "answers",
                Map.of("serial", serial, "hardware", "BK-67220-B3", "software", software),
                List.of(new Block("lift-main", block, LIFT.decode(block))),
                List.of(),
                true,
                List.of(),
                List.of());
        return new BaselineFile(
                vin, "brennick-lorne", "2026-03-01T10:00:00Z", "on", List.of(lift), List.of(), Optional.empty());
    }

    private static BaselineFile file(String software, Bytes block) {
        return file("0BKLR3A46MN004127", "S1", software, block);
    }

    private static String other() {
        return LIFT.decode(LEFT).get("platform").equals("steel") ? "folding" : "steel";
    }

    @Test
    void of_sameSettings_isEmpty() {
        assertThat(Drift.of(Situations.LORNE, file("3.12", LEFT), file("3.12", LEFT))
                        .isEmpty())
                .isTrue();
    }

    /** The limits of a lift as a software keeps them. */
    private static BaselineFile limits(String software, Map<String, String> values) {
        Layout layout = Situations.LORNE.as(Map.of("tail-lift", software)).layout("lift-limits");
        Bytes built =
                ((Layout.Encoded.Block) layout.encode(layout.factory(), Bytes.filled(layout.length(), 0))).octets();
        Bytes block = ((Layout.Encoded.Block) layout.encode(values, built)).octets();
        Module lift = new Module(
                "tail-lift",
                "answers",
                Map.of("software", software),
                List.of(new Block("lift-limits", block, layout.decode(block))),
                List.of(),
                true,
                List.of(),
                List.of());
        return new BaselineFile(
                "0BKLR3A46MN004127",
                "brennick-lorne",
                "2026-03-01T10:00:00Z",
                "on",
                List.of(lift),
                List.of(),
                Optional.empty());
    }

    @Test
    void of_softwareThatKeepsSettingsElsewhere_countsNeitherTheNewOnesNorTheBytes() {
        BaselineFile before = limits("3.08", Map.of());
        assertThat(Drift.of(Situations.LORNE, before, limits("3.12", Map.of())).isEmpty())
                .isTrue();
        assertThat(Drift.of(Situations.LORNE, before, limits("3.12", Map.of("load.most", "300")))
                        .all())
                .singleElement()
                .matches(lost -> lost.possible()
                        && lost.putBack().key().equals("lift-limits/load.most")
                        && lost.putBack().value().equals("350 kg"));
        assertThat(BaselineDiff.of(before, limits("3.12", Map.of()))
                        .modules()
                        .getFirst()
                        .coding()
                        .getFirst()
                        .fields())
                .containsExactly(new BaselineDiff.Change("pump.seconds", BaselineDiff.NOT_THERE, "25 s"));
    }

    @Test
    void of_lostSetting_isGroupedByItsFeatureAndCanBePutBack() {
        Drift drift = Drift.of(Situations.LORNE, file("3.12", LEFT), file("3.14", with("platform", other())));
        assertThat(drift.groups()).singleElement().satisfies(group -> {
            assertThat(group.title()).isEqualTo("Tail lift");
            assertThat(group.lost()).singleElement().satisfies(lost -> {
                assertThat(lost.putBack().key()).isEqualTo("lift-main/platform");
                assertThat(lost.putBack().value()).isEqualTo(LIFT.decode(LEFT).get("platform"));
                assertThat(lost.is()).isEqualTo(other());
                assertThat(lost.possible()).isTrue();
                assertThat(lost.note()).isEqualTo("Software since then: 3.12 → 3.14.");
            });
        });
    }

    @Test
    void of_valueThatTheLayoutNoLongerTakes_saysWhyNot() {
        BaselineFile odd = file("3.12", LEFT);
        Module lift = odd.modules().getFirst();
        Block strange = new Block("lift-main", with("platform", other()), Map.of("platform", "hovering"));
        Module then = new Module(
                "tail-lift", "answers", lift.identification(), List.of(strange), List.of(), true, List.of(), List.of());
        Drift drift = Drift.of(
                Situations.LORNE,
                new BaselineFile(
                        odd.vin(), odd.pack(), odd.takenAt(), "on", List.of(then), List.of(), Optional.empty()),
                file("3.12", LEFT));
        assertThat(drift.all()).anySatisfy(lost -> {
            assertThat(lost.was()).isEqualTo("hovering");
            assertThat(lost.obstacle()).get().asString().contains("does not take it");
        });
    }

    @Test
    void restore_sameModuleAndSoftware_givesTheBlocksThatDiffer() {
        assertThat(Restore.judge(file("3.12", LEFT), file("3.12", with("platform", other())), "tail-lift"))
                .isEqualTo(new Restore.Possible(Map.of("lift-main", LEFT)));
    }

    @Test
    void restore_otherSoftwareSerialOrVehicle_isRefusedWithTheReason() {
        BaselineFile left = file("3.12", LEFT);
        assertThat(reason(left, file("3.14", LEFT))).contains("its software was \"3.12\" and is \"3.14\"");
        assertThat(reason(left, file("0BKLR3A46MN004127", "S2", "3.12", LEFT))).contains("its serial was");
        assertThat(reason(left, file("0BKLR3A48MN004131", "S1", "3.12", LEFT))).contains("of another vehicle");
    }

    private static String reason(BaselineFile left, BaselineFile now) {
        return ((Restore.Refused) Restore.judge(left, now, "tail-lift")).reason();
    }

    private static List<Double> fleet(int vehicles) {
        return IntStream.range(0, vehicles).mapToObj(i -> 260.0 + i % 7).toList();
    }

    @Test
    void knownGood_fewerThanTwenty_isNotJudged() {
        assertThat(KnownGood.of(fleet(19), 500, 0.1).verdict()).isEqualTo(KnownGood.Verdict.TOO_FEW);
    }

    @Test
    void knownGood_twenty_tellsUsualFromOdd() {
        assertThat(KnownGood.of(fleet(20), 264, 0.1).verdict()).isEqualTo(KnownGood.Verdict.USUAL);
        KnownGood odd = KnownGood.of(fleet(20), 300, 0.1);
        assertThat(odd.verdict()).isEqualTo(KnownGood.Verdict.ODD);
        assertThat(odd.median()).isEqualTo(263);
        assertThat(odd.deviation()).isEqualTo(2);
        assertThat(odd.score()).isEqualTo(37 / (1.4826 * 2));
    }

    @Test
    void knownGood_allAlike_countsOneStepOfTheValueAsSpread() {
        KnownGood alike = KnownGood.of(java.util.Collections.nCopies(25, 12.6), 12.61, 0.01);
        assertThat(alike.deviation()).isEqualTo(0.01);
        assertThat(alike.verdict()).isEqualTo(KnownGood.Verdict.USUAL);
    }

    @Test
    void estimate_wholeVehicle_isTheSumOfItsModules() {
        var modules = Situations.LORNE.modules().values();
        long sum = modules.stream()
                .mapToLong(
                        m -> BaselineEstimate.of(Situations.LORNE, List.of(m)).toMillis())
                .sum();
        assertThat(BaselineEstimate.of(Situations.LORNE, modules).toMillis()).isBetween(sum, sum + modules.size());
        assertThat(sum).isBetween(500L, 10_000L);
    }
}
