package codrane.core.baseline;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.BaselineDiff.ByteChange;
import codrane.core.baseline.BaselineDiff.Change;
import codrane.core.baseline.BaselineDiff.FaultChange;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BaselineDiffTest {
    private static Map<String, Object> module(
            String id, String software, String raw, Map<String, Object> values, List<Object> faults) {
        return Map.of(
                "module",
                id,
                "address",
                103,
                "presence",
                "answers",
                "identification",
                Map.of("software", Map.of("raw", "00", "text", software)),
                "coding",
                List.of(Map.of("block", id + "-main", "id", 1648, "raw", raw, "checkHolds", true, "values", values)),
                "faultsRead",
                true,
                "faults",
                faults);
    }

    private static Map<String, Object> fault(String code, int status) {
        return Map.of("code", code, "status", status, "title", "Something");
    }

    private static Map<String, Object> tree(String vin, Object... modules) {
        return Map.of(
                "schema",
                "codrane.baseline/1",
                "pack",
                Map.of("id", "brennick-lorne", "version", 2),
                "vin",
                vin,
                "takenAt",
                "2026-03-02T08:00:00Z",
                "modules",
                List.of(modules));
    }

    private static BaselineFile file(Object tree) {
        return ((BaselineFile.Read.File) BaselineFile.read(tree)).baseline();
    }

    private static final Map<String, Object> BEFORE = tree(
            "0BKLR3A46MN004127",
            module(
                    "lift",
                    "3.08",
                    "00FF10",
                    Map.of("platform", "steel", "beeper", "loud"),
                    List.of(fault("U1301-00", 9), fault("C1027-16", 8))),
            module("body", "3.31", "AA", Map.of("use", "van"), List.of()));

    @Test
    void of_sameBaseline_isEmpty() {
        assertThat(BaselineDiff.of(file(BEFORE), file(BEFORE)).isEmpty()).isTrue();
    }

    @Test
    void of_changedModule_namesSoftwareFieldsBytesAndFaults() {
        Map<String, Object> after = tree(
                "0BKLR3A46MN004127",
                module(
                        "lift",
                        "3.12",
                        "01FF11",
                        Map.of("platform", "aluminium", "beeper", "loud"),
                        List.of(fault("C1027-16", 9), fault("B1A04-54", 9))),
                module("body", "3.31", "AA", Map.of("use", "van"), List.of()));
        BaselineDiff diff = BaselineDiff.of(file(BEFORE), file(after));
        assertThat(diff.modules()).singleElement().satisfies(lift -> {
            assertThat(lift.identification()).containsExactly(new Change("software", "3.08", "3.12"));
            assertThat(lift.coding().getFirst().bytes())
                    .containsExactly(new ByteChange(0, 0x00, 0x01), new ByteChange(2, 0x10, 0x11));
            assertThat(lift.coding().getFirst().fields()).containsExactly(new Change("platform", "steel", "aluminium"));
            assertThat(lift.faults())
                    .extracting(f -> f.code() + " " + f.change())
                    .containsExactly(
                            "U1301-00 " + FaultChange.GONE,
                            "C1027-16 " + FaultChange.STATUS,
                            "B1A04-54 " + FaultChange.NEW);
        });
    }

    @Test
    void of_moduleMissingAndOtherVehicle_areSaid() {
        Map<String, Object> after = tree(
                "0BKLR3A48MN004131",
                module(
                        "lift",
                        "3.08",
                        "00FF10",
                        Map.of("platform", "steel", "beeper", "loud"),
                        List.of(fault("U1301-00", 9), fault("C1027-16", 8))));
        BaselineDiff diff = BaselineDiff.of(file(BEFORE), file(after));
        assertThat(diff.sameVehicle()).isFalse();
        assertThat(diff.modules())
                .singleElement()
                .satisfies(body ->
                        assertThat(body.presence()).contains(new Change("presence", "answers", BaselineDiff.ABSENT)));
    }

    @Test
    void of_shorterBlock_endsWithNothing() {
        Map<String, Object> after = tree(
                "0BKLR3A46MN004127",
                module("lift", "3.08", "00FF", Map.of(), List.of(fault("U1301-00", 9), fault("C1027-16", 8))),
                module("body", "3.31", "AA", Map.of("use", "van"), List.of()));
        assertThat(BaselineDiff.of(file(BEFORE), file(after))
                        .modules()
                        .getFirst()
                        .coding()
                        .getFirst())
                .isEqualTo(new BaselineDiff.BlockDiff(
                        "lift-main", List.of(new ByteChange(2, 0x10, -1)), List.of(), false));
    }

    @ParameterizedTest
    @ValueSource(strings = {"schema", "pack", "vin", "takenAt", "modules"})
    void read_partMissing_isNamed(String part) {
        Map<String, Object> tree = new LinkedHashMap<>(BEFORE);
        tree.remove(part);
        assertThat(BaselineFile.read(tree))
                .isInstanceOfSatisfying(
                        BaselineFile.Read.Bad.class,
                        bad -> assertThat(bad.reason()).contains(part));
    }

    @Test
    void read_anyTree_neverThrows() {
        Random random = new Random(5);
        for (int round = 0; round < 5000; round++)
            assertThat(BaselineFile.read(damaged(BEFORE, random))).isNotNull();
        assertThat(BaselineFile.read("text")).isInstanceOf(BaselineFile.Read.Bad.class);
    }

    private static Object damaged(Object value, Random random) {
        if (random.nextInt(25) == 0)
            return List.of("x", 3, true, Map.of("a", 1), List.of()).get(random.nextInt(5));
        if (value instanceof Map<?, ?> map) {
            Map<String, Object> copy = new LinkedHashMap<>();
            map.forEach((key, inner) -> {
                if (random.nextInt(30) > 0) copy.put((String) key, damaged(inner, random));
            });
            return copy;
        }
        return value instanceof List<?> list
                ? list.stream().map(item -> damaged(item, random)).toList()
                : value;
    }
}
