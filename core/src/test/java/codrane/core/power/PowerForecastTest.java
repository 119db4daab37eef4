package codrane.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.power.PowerForecast.Decision;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PowerForecastTest {
    private static final Battery AGM = new Battery(Chemistry.AGM, 92, 12.65, 8, 25);
    private static final Optional<SupportUnit> UNIT = Optional.of(new SupportUnit(13.8, 90));
    private static final List<Load> TWENTY_MINUTES = List.of(new Load(60, 14), new Load(1200, 32));
    private static final PowerWindow PROGRAMMING = PowerWindow.programming(14.8);

    @ParameterizedTest
    @CsvSource({
        "FLOODED, 12.24, 50",
        "FLOODED, 11.0, 0",
        "FLOODED, 13.0, 100",
        "EFB, 12.41, 62.5",
        "AGM, 12.65, 75",
        "LFP, 13.15, 55",
        "LFP, 12.85, 15"
    })
    void chemistry_restingVoltage_isInterpolated(Chemistry chemistry, double volts, double percent) {
        assertThat(chemistry.percentAt(volts)).isCloseTo(percent, within(0.01));
        boolean inside = percent > 0 && percent < 100;
        if (inside) assertThat(chemistry.voltsAt(percent)).isCloseTo(volts, within(0.0001));
    }

    @Test
    void stateOfCharge_interval_isAsWideAsTheCaseAsksFor() {
        StateOfCharge good = StateOfCharge.of(AGM);
        assertThat(good.percent()).isCloseTo(75, within(0.01));
        assertThat(good.high() - good.low()).isCloseTo(10, within(0.01));
        StateOfCharge unrested = StateOfCharge.of(new Battery(Chemistry.AGM, 92, 12.65, 1, 25));
        assertThat(unrested.high() - unrested.low()).isCloseTo(30, within(0.01));
        StateOfCharge flat = StateOfCharge.of(new Battery(Chemistry.LFP, 60, 13.2, 8, 25));
        assertThat(flat.low()).isCloseTo(50, within(0.01));
        assertThat(flat.reasons()).anyMatch(r -> r.contains("hardly tells"));
        StateOfCharge cold = StateOfCharge.of(new Battery(Chemistry.AGM, 92, 12.65, 8, -5));
        assertThat(cold.percent()).isEqualTo(good.percent()); // only the interval
        assertThat(cold.high() - cold.low()).isCloseTo(22, within(0.01));
    }

    @Test
    void forecast_goodUnit_goesAndChargesTheBattery() {
        PowerForecast forecast = PowerForecast.of(AGM, UNIT, TWENTY_MINUTES, PROGRAMMING);
        assertThat(forecast.decision()).isEqualTo(Decision.GO);
        assertThat(forecast.withUnit().orElseThrow().leastVolts()).isCloseTo(13.8, within(0.2));
        assertThat(forecast.withUnit().orElseThrow().usedAh()).isNegative();
        assertThat(forecast.withoutUnit().usedAh()).isCloseTo((14 * 60 + 32 * 1200) / 3600.0, within(0.05));
        assertThat(forecast.withoutUnit().leastVolts()).isLessThan(12.5);
        assertThat(forecast.ratingA()).isCloseTo(32 * 1.2 + 9.2, within(0.01));
    }

    @Test
    void forecast_withoutUnit_isNoWithTheReason() {
        PowerForecast forecast = PowerForecast.of(AGM, Optional.empty(), TWENTY_MINUTES, PROGRAMMING);
        assertThat(forecast.decision()).isEqualTo(Decision.NO);
        assertThat(forecast.reason())
                .isEqualTo("Without a support unit 13.3 V are not held: one of 48 A is needed, set to 13.8 V.");
    }

    @Test
    void forecast_unitTooSmall_fallsInTheRun() {
        PowerForecast forecast =
                PowerForecast.of(AGM, Optional.of(new SupportUnit(13.8, 20)), TWENTY_MINUTES, PowerWindow.coding(14.8));
        assertThat(forecast.withUnit().orElseThrow().leastVolts()).isLessThan(12.5);
        assertThat(forecast.decision()).isEqualTo(Decision.NO);
    }

    @Test
    void forecast_setPointAboveTheChemistry_isNo() {
        Battery lfp = new Battery(Chemistry.LFP, 60, 13.2, 8, 25);
        PowerForecast forecast = PowerForecast.of(
                lfp,
                Optional.of(new SupportUnit(14.7, 90)),
                TWENTY_MINUTES,
                PowerWindow.programming(Chemistry.LFP.upperVolts()));
        assertThat(forecast.decision()).isEqualTo(Decision.NO);
        assertThat(forecast.reason()).contains("14.7 V are above the 14.6 V");
    }

    @Test
    void forecast_randomCases_stayWithinPhysics() {
        Random random = new Random(3);
        for (int round = 0; round < 300; round++) {
            Chemistry chemistry = List.of(Chemistry.values()).get(random.nextInt(4));
            Battery battery = new Battery(
                    chemistry,
                    20 + random.nextInt(180),
                    11.5 + random.nextDouble() * 2,
                    random.nextInt(10),
                    random.nextInt(50) - 10);
            SupportUnit unit = new SupportUnit(13 + random.nextDouble(), 5 + random.nextInt(120));
            List<Load> loads = List.of(new Load(1 + random.nextInt(300), random.nextInt(60)));
            PowerForecast forecast = PowerForecast.of(battery, Optional.of(unit), loads, PROGRAMMING);
            PowerForecast.Curve curve = forecast.withUnit().orElseThrow();
            assertThat(curve.leastVolts())
                    .isGreaterThanOrEqualTo(forecast.withoutUnit().leastVolts() - 1e-9);
            assertThat(curve.endPercent()).isBetween(0.0, 100.0);
            assertThat(curve.volts()).hasSize(loads.getFirst().seconds());
            assertThat(forecast.charge().low())
                    .isLessThanOrEqualTo(forecast.charge().high());
        }
    }

    @Test
    void forecast_largerUnits_goFromNoOverWaitToGo_neverAtOnce() {
        for (Chemistry chemistry : List.of(Chemistry.FLOODED, Chemistry.EFB, Chemistry.AGM))
            for (double percent : List.of(30.0, 70.0)) {
                Battery battery = new Battery(chemistry, 92, chemistry.voltsAt(percent), 8, 20);
                List<Decision> decisions = new java.util.ArrayList<>();
                for (int rating = 5; rating <= 120; rating += 5)
                    decisions.add(PowerForecast.of(
                                    battery, Optional.of(new SupportUnit(13.9, rating)), TWENTY_MINUTES, PROGRAMMING)
                            .decision());
                assertThat(decisions).contains(Decision.NO, Decision.WAIT, Decision.GO);
                assertThat(decisions.indexOf(Decision.WAIT))
                        .as(chemistry + " at " + percent + " %: " + decisions)
                        .isLessThan(decisions.indexOf(Decision.GO));
                assertThat(decisions.lastIndexOf(Decision.NO)).isLessThan(decisions.indexOf(Decision.WAIT));
                assertThat(decisions.lastIndexOf(Decision.WAIT)).isLessThan(decisions.indexOf(Decision.GO));
            }
    }

    @Test
    void forecast_currentBeyondTheLoad_raisesTheVoltageWithinMinutes() {
        PowerForecast forecast =
                PowerForecast.of(AGM, Optional.of(new SupportUnit(13.8, 36)), TWENTY_MINUTES, PROGRAMMING);
        assertThat(forecast.decision()).isEqualTo(Decision.WAIT);
        assertThat(forecast.secondsToStart().orElseThrow()).isBetween(30, 1800);
        assertThat(forecast.reason()).contains(" min at 22 A").contains("A unit of 48 A leaves a margin");
        assertThat(forecast.withUnit().orElseThrow().leastVolts()).isGreaterThanOrEqualTo(13.1);
    }

    @Test
    void forecast_farBelowEmptyAfterRest_isAFailedCell() {
        PowerForecast forecast =
                PowerForecast.of(new Battery(Chemistry.AGM, 92, 10.4, 8, 20), UNIT, TWENTY_MINUTES, PROGRAMMING);
        assertThat(forecast.decision()).isEqualTo(Decision.NO);
        assertThat(forecast.reason()).contains("a cell has failed");
        assertThat(new Battery(Chemistry.AGM, 92, 10.4, 1, 20).failedCell())
                .as("not rested: only drained")
                .isFalse();
    }

    @Test
    void forecast_nearlyEmpty_isChargedFirst() {
        Battery empty = new Battery(Chemistry.AGM, 92, 11.95, 8, 20);
        PowerForecast large = PowerForecast.of(empty, UNIT, TWENTY_MINUTES, PROGRAMMING);
        assertThat(large.decision()).isEqualTo(Decision.WAIT);
        assertThat(large.secondsToStart().orElseThrow()).isGreaterThan(600);
        PowerForecast small =
                PowerForecast.of(empty, Optional.of(new SupportUnit(13.8, 20)), TWENTY_MINUTES, PROGRAMMING);
        assertThat(small.decision()).isEqualTo(Decision.NO);
        assertThat(small.reason()).contains("charge it to 20 %");
    }

    @Test
    void forecast_lfpBelowFreezing_isNotCharged() {
        Battery cold = new Battery(Chemistry.LFP, 60, 13.2, 8, -3);
        assertThat(PowerForecast.of(cold, Optional.of(new SupportUnit(13.8, 90)), TWENTY_MINUTES, PROGRAMMING)
                        .reason())
                .contains("must not be charged");
    }

    @Test
    void forecast_temperature_changesLimitResistanceAndAcceptance() {
        assertThat(new Battery(Chemistry.FLOODED, 70, 12.5, 8, 45).upperVolts()).isCloseTo(14.44, within(0.001));
        assertThat(new Battery(Chemistry.LFP, 70, 13.2, 8, 45).upperVolts()).isCloseTo(14.36, within(0.001));
        Battery hot = new Battery(Chemistry.AGM, 92, 12.65, 8, 60);
        assertThat(PowerForecast.of(hot, Optional.of(new SupportUnit(14.6, 90)), TWENTY_MINUTES, PROGRAMMING)
                        .reason())
                .contains("above the 14.2 V that this battery may see at 60 °C");
        Battery cold = new Battery(Chemistry.AGM, 92, 12.65, 8, -20);
        assertThat(PowerForecast.of(cold, Optional.empty(), TWENTY_MINUTES, PROGRAMMING)
                        .withoutUnit()
                        .leastVolts())
                .isLessThan(PowerForecast.of(AGM, Optional.empty(), TWENTY_MINUTES, PROGRAMMING)
                        .withoutUnit()
                        .leastVolts());
    }

    @Test
    void battery_impossible_isTheCallersMistake() {
        assertThrows(IllegalArgumentException.class, () -> new Battery(Chemistry.AGM, 0, 12, 1, 20));
        assertThrows(IllegalArgumentException.class, () -> new Battery(Chemistry.AGM, 90, 12, -1, 20));
        assertThrows(
                IllegalArgumentException.class,
                () -> PowerForecast.of(AGM, UNIT, List.of(new Load(0, 5)), PROGRAMMING));
    }
}
