package codrane.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.Take;
import codrane.core.pack.Equipment.VehicleOrder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TypedOrderTest {
    private static final VehicleOrder ORDER = new VehicleOrder(
            0x0700,
            List.of("body"),
            new LinkedHashMap<>(
                    Map.of("TAX1", "Taxi", "SGN1", "Roof sign", "GRY1", "Grey seats", "BLK1", "Black seats")),
            List.of(),
            Map.of("seats", new Family("seats", "Seats", Take.ONE, List.of("GRY1", "BLK1"))),
            Map.of(),
            List.of());

    private static String wrong(String text) {
        return ((TypedOrder.Wrong) TypedOrder.of(ORDER, text)).sentence();
    }

    @Test
    void of_asItStandsOnPapers_isTakenHoweverItIsParted() {
        assertThat(((TypedOrder.Codes) TypedOrder.of(ORDER, " tax1,SGN1;\n gry1 ")).codes())
                .containsExactlyInAnyOrder("TAX1", "SGN1", "GRY1");
    }

    @Test
    void of_nothing_isNotAnEmptyOrder() {
        assertThat(wrong(" , ")).isEqualTo("Type the codes as they stand on the papers.");
    }

    @Test
    void of_codeOfNoSuchModel_isNamedWithWhatThereIs() {
        assertThat(wrong("TAX1 TAXI"))
                .startsWith("\"TAXI\" is no code of this model. It knows ")
                .contains("Roof sign");
    }

    @Test
    void of_codeTwice_isAnErrorInTyping() {
        assertThat(wrong("TAX1 SGN1 TAX1")).isEqualTo("TAX1 is there twice.");
    }

    @Test
    void of_twoOfOneFamily_excludeEachOther() {
        assertThat(wrong("GRY1 BLK1")).isEqualTo("GRY1 and BLK1 exclude each other: a vehicle has one of \"Seats\".");
    }
}
