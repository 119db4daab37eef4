package codrane.core.vin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.vin.VinComparison.Stored;
import codrane.core.vin.VinComparison.Verdict;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class VinComparisonTest {
    private static final Vin PLATE = new Vin("0BKLR3A46MN004127");
    private static final String DONOR = "0BKLR3A48MN004131";

    private static Stored stored(String title, String vin) {
        return new Stored(title, title, Optional.of(Bytes.ascii(vin)));
    }

    private static VinComparison compare(Stored... modules) {
        return VinComparison.of(PLATE, List.of(modules));
    }

    @Test
    void of_oneModuleDiffers_isADonor() {
        VinComparison comparison =
                compare(stored("Body", PLATE.text()), stored("Engine", PLATE.text()), stored("Tail lift", DONOR));
        assertThat(comparison.verdict()).isEqualTo(Verdict.DONOR);
        assertThat(comparison.sentence()).startsWith("Tail lift is a donor");
        assertThat(comparison.held().get(2).differingPositions()).containsExactly(9, 16, 17);
    }

    @Test
    void of_mostModulesDiffer_isTheWrongVehicle() {
        assertThat(compare(stored("Body", DONOR), stored("Engine", DONOR), stored("Doors", PLATE.text()))
                        .verdict())
                .isEqualTo(Verdict.VEHICLE_DISAGREES);
    }

    @Test
    void of_onlyModuleDiffers_isTheWrongVehicle() {
        assertThat(compare(stored("Body", DONOR)).verdict()).isEqualTo(Verdict.VEHICLE_DISAGREES);
    }

    @Test
    void of_allFf_isAnEmptyModule() {
        Stored blank = new Stored("Tail lift", "Tail lift", Optional.of(Bytes.filled(17, 0xFF)));
        assertThat(compare(stored("Body", PLATE.text()), blank).verdict()).isEqualTo(Verdict.MODULE_EMPTY);
    }

    @Test
    void of_silentModules_doNotCount() {
        Stored silent = new Stored("Doors", "Doors", Optional.empty());
        assertThat(compare(stored("Body", PLATE.text()), silent).verdict()).isEqualTo(Verdict.ALL_AGREE);
        assertThat(compare(silent).verdict()).isEqualTo(Verdict.NOTHING_READ);
    }

    @Test
    void of_shortVin_differsWithoutThrowing() {
        assertThat(compare(stored("Body", PLATE.text()), stored("Doors", "0BK")).verdict())
                .isEqualTo(Verdict.DONOR);
    }
}
