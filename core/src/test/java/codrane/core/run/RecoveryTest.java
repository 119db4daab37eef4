package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.power.PowerWindow;
import codrane.core.run.Recovery.Ended;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecoveryTest {
    private static final Pack LORNE = Packs.lorne();
    private static final PackModule LIFT = LORNE.module("tail-lift");
    private static final RunTask PROGRAM =
            new RunTask.Program(LIFT, 0, 16, 0, "3.12", PowerWindow.programming(14.8), "Program the tail lift");
    private static final RunTask CLEAR = new RunTask.Clear(LIFT, "Clear faults: Tail lift");
    private static final RunTask ROUTINE = new RunTask.Routine(
            LIFT,
            LORNE.equipment().procedures().values().iterator().next(),
            PowerWindow.programming(14.8),
            "Lift moves up and down");

    @ParameterizedTest
    @CsvSource({
        // interrupted, wrote: whether the module is asked first how far it is
        "false, false, false",
        "false, true, true",
        "true, false, true",
        "true, true, true"
    })
    void program_isNeverErasedAgainUnasked(boolean interrupted, boolean wrote, boolean recovers) {
        assertThat(Recovery.after(List.of(PROGRAM), new Ended(0, interrupted, wrote))
                        .recovering())
                .isEqualTo(recovers);
    }

    @ParameterizedTest
    @CsvSource({"false, true, false", "true, false, false", "true, true, true"})
    void routine_isAskedForItsResultOnlyWhenThisRunBeganIt(boolean interrupted, boolean wrote, boolean recovers) {
        assertThat(Recovery.after(List.of(ROUTINE), new Ended(0, interrupted, wrote))
                        .recovering())
                .isEqualTo(recovers);
    }

    @Test
    void behindTheLastTask_theLastIsAskedAgain() {
        RunState state = Recovery.after(List.of(PROGRAM, CLEAR), new Ended(2, true, false));
        assertThat(state.task()).isEqualTo(CLEAR);
        assertThat(state.index()).isEqualTo(1);
    }
}
