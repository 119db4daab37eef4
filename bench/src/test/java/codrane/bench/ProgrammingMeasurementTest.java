package codrane.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class ProgrammingMeasurementTest {
    @Test
    void take_shippedPack_usesTheBusAndIsPredictedWithinItsRange() throws Exception {
        ProgrammingMeasurement m = ProgrammingMeasurement.take(Path.of("..", "packs", "brennick-lorne.yaml"));
        assertThat(m.busShare()).isGreaterThan(0.7);
        assertThat(m.predictedSeconds() / m.simulatedSeconds()).isBetween(0.85, 1.15);
    }
}
