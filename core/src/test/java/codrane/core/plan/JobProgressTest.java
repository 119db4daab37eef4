package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.JobProgress.StageState;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

class JobProgressTest {
    private final Map<HoldPoint, Hold> holds = new HashMap<>();

    @Test
    void current_nothingKept_isIntake() {
        JobProgress progress = new JobProgress(holds);
        assertThat(progress.current()).isEqualTo(Stage.INTAKE);
        assertThat(progress.state(Stage.RUN)).isEqualTo(StageState.LATER);
    }

    @Test
    void current_keptAndWaived_moveOnAndANotNeededStageIsPassedOver() {
        for (HoldPoint point : HoldPoint.values()) {
            if (point.stage().compareTo(Stage.BASELINE) < 0) holds.put(point, Hold.NOT_NEEDED);
        }
        holds.put(HoldPoint.CONSENT, Hold.KEPT);
        holds.put(HoldPoint.LINK_PROVEN, Hold.KEPT);
        holds.put(HoldPoint.SUPPLY_HELD, Hold.KEPT);
        holds.put(HoldPoint.FAULTS_RECORDED, Hold.KEPT);
        holds.put(HoldPoint.IDENTITY_SETTLED, Hold.WAIVED);
        JobProgress progress = new JobProgress(holds);
        assertThat(progress.current()).isEqualTo(Stage.BASELINE); // nothing is to be unlocked here
        assertThat(progress.state(Stage.UNLOCK)).isEqualTo(StageState.DONE);
    }

    @Test
    void currentUnauthorised_lockedGateway_isWhereReadingGoesOn() {
        for (HoldPoint point : HoldPoint.values()) holds.put(point, Hold.KEPT);
        holds.put(HoldPoint.AUTHORISED, Hold.OPEN);
        holds.put(HoldPoint.BASELINE_STORED, Hold.OPEN);
        JobProgress progress = new JobProgress(holds);
        assertThat(progress.current()).isEqualTo(Stage.UNLOCK);
        assertThat(progress.currentUnauthorised()).isEqualTo(Stage.BASELINE);
    }

    @Test
    void openBefore_anEarlierFactLost_isNamedAgain() {
        for (HoldPoint point : HoldPoint.values()) holds.put(point, Hold.KEPT);
        holds.put(HoldPoint.LINK_PROVEN, Hold.OPEN);
        JobProgress progress = new JobProgress(holds);
        assertThat(progress.openBefore(Stage.RUN)).containsExactly(HoldPoint.LINK_PROVEN);
        assertThat(progress.current()).isEqualTo(Stage.BENCH);
    }

    @Test
    void current_everythingPassed_isRecord() {
        for (HoldPoint point : HoldPoint.values()) holds.put(point, Hold.NOT_NEEDED);
        assertThat(new JobProgress(holds).current()).isEqualTo(Stage.RECORD);
    }
}
