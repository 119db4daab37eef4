package codrane.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.Baseline;
import codrane.core.octets.Bytes;
import codrane.core.plan.Situations;
import codrane.core.scan.AgreementMatrix.Mark;
import codrane.core.scan.AgreementMatrix.Row;
import codrane.core.vin.VinComparison.Verdict;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;

class AgreementMatrixTest {
    private static Row row(Map<String, ModuleReading> readings, String module) {
        return AgreementMatrix.of(Situations.LORNE, Situations.VIN, readings).rows().stream()
                .filter(r -> r.module().equals(module))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void of_healthyVehicle_agreesEverywhere() {
        AgreementMatrix matrix = AgreementMatrix.of(Situations.LORNE, Situations.VIN, Situations.healthy());
        assertThat(matrix.vins().verdict()).isEqualTo(Verdict.ALL_AGREE);
        assertThat(matrix.rows()).hasSize(14).noneMatch(Row::differs);
    }

    @Test
    void of_usedTailLift_saysWhatDiffersInWords() {
        Row row = row(Situations.usedTailLift(), "tail-lift");
        assertThat(row.vin().words()).isEqualTo("0BK LR3A48 MN004131");
        assertThat(row.hardware().mark()).isEqualTo(Mark.AGREES);
        assertThat(row.software().words()).isEqualTo("3.08, vehicle needs 3.12");
        assertThat(row.coding().words()).isEqualTo("for another VIN");
        assertThat(row.faults()).contains(0);
    }

    @Test
    void of_silentAndUnaskedModules_areToldApart() {
        Map<String, ModuleReading> readings = Situations.healthy();
        readings.put("doors", ModuleReading.silent("doors"));
        readings.remove("climate");
        assertThat(row(readings, "doors").vin()).isEqualTo(new AgreementMatrix.Cell(Mark.SILENT, "silent"));
        assertThat(row(readings, "climate").vin().mark()).isEqualTo(Mark.NOT_ASKED);
        assertThat(row(readings, "doors").faults()).isEmpty();
    }

    @Test
    void codingState_blocks_areJudgedOneByOne() {
        var layout = Situations.LORNE.layouts().get("lift-main");
        Bytes good = Situations.coded(layout, Situations.VIN);
        byte[] damaged = good.toArray();
        damaged[9] ^= 1;
        assertThat(CodingState.ofBlock(Situations.LORNE, layout, good, Situations.VIN))
                .isEqualTo(CodingState.AGREES);
        assertThat(CodingState.ofBlock(Situations.LORNE, layout, Bytes.copyOf(damaged), Situations.VIN))
                .isEqualTo(CodingState.CHECK_WRONG);
        assertThat(CodingState.ofBlock(Situations.LORNE, layout, Bytes.filled(24, 0xFF), Situations.VIN))
                .isEqualTo(CodingState.BLANK);
    }

    @Test
    void baseline_sameReadings_haveTheSameHashAndOneOctetChangesIt() {
        Instant at = Instant.parse("2026-03-01T10:00:00Z");
        Map<String, ModuleReading> readings = Situations.usedTailLift();
        Baseline first = Baseline.of(Situations.LORNE, Situations.VIN.text(), at, DeepReading.of(readings));
        assertThat(Baseline.of(Situations.LORNE, Situations.VIN.text(), at, DeepReading.of(readings)))
                .isEqualTo(first);
        assertThat(first.json())
                .startsWith("{\"key\":\"unknown\",\"modules\":[{\"adaptations\":[],\"address\":26,")
                .contains("\"platform\":");
        assertThat(Baseline.hash(first.json())).isEqualTo(first.sha256());
        assertThat(Baseline.hash(first.json().replace("3.08", "3.09"))).isNotEqualTo(first.sha256());
    }
}
