package codrane.core.power;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PowerGateTest {
    private static final PowerWindow WINDOW = PowerWindow.programming(14.8);
    private static final Instant NOW = Instant.parse("2026-03-01T10:00:00Z");

    /** Samples at 5 Hz, the last one now. */
    private static List<SupplyReading> samples(double seconds, double volts) {
        List<SupplyReading> samples = new ArrayList<>();
        for (int i = (int) (seconds * 5); i >= 0; i--) samples.add(new SupplyReading(NOW.minusMillis(i * 200L), volts));
        return samples;
    }

    private static List<SupplyReading> then(List<SupplyReading> first, List<SupplyReading> second) {
        List<SupplyReading> all = new ArrayList<>();
        for (SupplyReading s : first) if (s.at().isBefore(second.getFirst().at())) all.add(s);
        all.addAll(second);
        return all;
    }

    @Test
    void start_tenSecondsAtTheStartVoltage_passes() {
        assertThat(PowerGate.start(samples(11, 13.6), WINDOW, NOW).passes()).isTrue();
    }

    @Test
    void start_supportUnitOff_saysWhatToDo() {
        PowerGate.Verdict verdict = PowerGate.start(samples(11, 12.31), WINDOW, NOW);
        assertThat(verdict.passes()).isFalse();
        assertThat(verdict.reason())
                .isEqualTo("12.31 V, and programming starts at 13.3 V: switch the support unit on.");
    }

    @Test
    void start_lastSampleLow_doesNotPass() {
        assertThat(PowerGate.start(then(samples(11, 13.6), samples(0, 12.9)), WINDOW, NOW)
                        .passes())
                .isFalse();
    }

    @Test
    void start_onlyFourSeconds_isStillMeasuring() {
        assertThat(PowerGate.start(samples(4, 13.6), WINDOW, NOW).reason()).startsWith("Measuring");
    }

    @Test
    void start_staleOrNone_isUnknownAndNeverPasses() {
        assertThat(PowerGate.start(List.of(), WINDOW, NOW).passes()).isFalse();
        assertThat(PowerGate.start(samples(11, 13.6), WINDOW, NOW.plusSeconds(3))
                        .reason())
                .contains("unknown");
    }

    @Test
    void start_aboveTheChemistryLimit_doesNotPass() {
        assertThat(PowerGate.start(samples(11, 15.0), WINDOW, NOW).reason()).contains("above the battery's limit");
    }

    @Test
    void watch_belowHoldForThreeSeconds_pauses() {
        assertThat(PowerGate.watch(then(samples(11, 13.6), samples(2.8, 13.0)), WINDOW, NOW))
                .isEqualTo(PowerGate.Watch.FINE);
        assertThat(PowerGate.watch(then(samples(11, 13.6), samples(3.2, 13.0)), WINDOW, NOW))
                .isEqualTo(PowerGate.Watch.PAUSE);
    }

    @Test
    void watch_farBelowForOneSecond_isCritical() {
        assertThat(PowerGate.watch(then(samples(11, 13.6), samples(1.2, 12.5)), WINDOW, NOW))
                .isEqualTo(PowerGate.Watch.CRITICAL);
    }

    @Test
    void watch_noFreshReading_isUnknown() {
        assertThat(PowerGate.watch(samples(11, 13.6), WINDOW, NOW.plusSeconds(5)))
                .isEqualTo(PowerGate.Watch.UNKNOWN);
    }
}
