package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.power.PowerWindow;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode.Known;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Routines in a run: started by somebody who looks, and done only when the module says so. */
class RoutineTest {
    private static final Pack CHORUS = Packs.load("tolvane-chorus");
    private static final PowerWindow WINDOW = PowerWindow.coding(14.8);
    private static final RunTask.Routine ZERO = routine(CHORUS, "ramp-zero");
    private static final RunTask.Write CODE =
            new RunTask.Write(CHORUS.module("ramp"), 0x0530, Bytes.of(1), WINDOW, "Write coding: Ramp");

    private static RunTask.Routine routine(Pack pack, String id) {
        Procedure procedure = pack.equipment().procedures().get(id);
        return new RunTask.Routine(pack.module(procedure.module()), procedure, WINDOW, procedure.title());
    }

    /** Answers a routine's requests with what stands in the queue; when that is empty, the routine is done. */
    private static final class Module {
        final List<String> happened = new ArrayList<>();
        final Deque<Reply> results = new ArrayDeque<>();

        Reply answer(RunAction.Send send) {
            happened.add(send.request().encode().hex());
            int service = send.request().encode().u8(0);
            boolean asked = service == 0x31 && !results.isEmpty();
            if (asked) return results.poll();
            if (service == 0x31) return new Reply.Positive(result(send.request().encode(), 0));
            return new Reply.Positive(
                    Bytes.of(service + 0x40).plus(send.request().encode().from(1)));
        }

        void then(int result) {
            results.add(new Reply.Positive(Bytes.of(0x71, 3, 2, 5, result)));
        }

        static Bytes result(Bytes request, int result) {
            return Bytes.of(0x71).plus(request.slice(1, 3)).plus(Bytes.of(result));
        }
    }

    private static Step run(RunState start, Module module) {
        return Played.run(start, module::answer, module.happened);
    }

    private static RunAction.Stopped stopped(Step step) {
        return (RunAction.Stopped) step.action();
    }

    private static Reply refused(Known code) {
        return new Reply.Refused(code.code());
    }

    @Test
    void routine_released_isStartedUnderItsConditions_andAskedUntilItIsDone() {
        Module module = new Module();
        module.then(1);
        module.then(1);
        assertThat(run(RunState.begin(List.of(ZERO)), module).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(module.happened)
                .containsExactly("AwaitPower", "AwaitConditions", "1003", "31010205", "31030205", "Pause", "31030205");
    }

    @Test
    void routine_afterAnotherTask_waitsForAPerson_andIsDoneWhenReleased() {
        Module module = new Module();
        Step stop = run(RunState.begin(List.of(new RunTask.Clear(CHORUS.module("body"), "Clear"), ZERO)), module);
        assertThat(stop.state().index()).isEqualTo(1);
        assertThat(stop.state().committed()).isFalse();
        assertThat(stopped(stop).lost()).isFalse();
        assertThat(stopped(stop).sentence()).contains("\"Ramp finds its zero\" is started by somebody who looks");
        assertThat(stopped(stop).nextStep())
                .contains("the ramp moves out and in")
                .contains("the key on, the gear in park, all doors closed")
                .endsWith("Then release it.");
        assertThat(module.happened).doesNotContain("31010205");
        assertThat(run(RunState.goOn(stop.state().tasks(), 1), module).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(module.happened).contains("31010205");
    }

    @Test
    void routine_lostAndRecovered_isAskedFirst_andStartedOnlyWhenItNeverBegan() {
        Module done = new Module();
        assertThat(run(RunState.recover(List.of(ZERO), 0), done).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(done.happened).containsExactly("31030205");
        Module never = new Module();
        never.results.add(refused(Known.REQUEST_SEQUENCE_ERROR));
        assertThat(run(RunState.recover(List.of(ZERO), 0), never).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(never.happened)
                .containsExactly("31030205", "AwaitPower", "AwaitConditions", "1003", "31010205", "31030205");
    }

    @Test
    void routine_startUnanswered_isAskedNotRepeated() {
        Module module = new Module();
        module.results.add(new Reply.Silent(Duration.ofMillis(50)));
        assertThat(run(RunState.begin(List.of(ZERO)), module).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(module.happened).containsOnlyOnce("31010205");
    }

    @Test
    void routine_refused_orFailed_orWithoutEnd_stopsWhereItIsSafe() {
        Module refused = new Module();
        refused.results.add(refused(Known.CONDITIONS_NOT_CORRECT));
        assertThat(stopped(run(RunState.begin(List.of(ZERO)), refused)).sentence())
                .isEqualTo("Ramp refuses: its conditions are not met.");
        Module failed = new Module();
        failed.then(1);
        failed.then(2);
        assertThat(stopped(run(RunState.begin(List.of(ZERO)), failed)).sentence())
                .isEqualTo("Ramp ended the routine without having done it (result 02).");
        Module mute = new Module();
        mute.then(1);
        mute.results.add(new Reply.Positive(Bytes.of(0x71, 3, 2, 5)));
        assertThat(stopped(run(RunState.begin(List.of(ZERO)), mute)).sentence())
                .isEqualTo("Ramp does not tell whether it is done.");
        Module endless = new Module();
        for (int i = 0; i < 200; i++) endless.then(1);
        RunAction.Stopped late = stopped(run(RunState.begin(List.of(ZERO)), endless));
        assertThat(late.lost()).isFalse();
        assertThat(late.sentence()).isEqualTo("Ramp is still at it after 90 s.");
    }

    @Test
    void routine_withTheEngineRunning_hasNoPowerGate() {
        RunTask.Routine straight = routine(Packs.load("peregil-dunlin"), "straight");
        Module module = new Module();
        assertThat(run(RunState.begin(List.of(straight)), module).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(module.happened).startsWith("AwaitConditions", "1003").doesNotContain("AwaitPower");
    }

    @Test
    void beforeStopping_whatMoves_isStopped_andNothingElseIs() {
        RunState moving = RunState.begin(List.of(ZERO)).at(Phase.RESULT);
        assertThat(RunMachine.beforeStopping(moving)
                        .orElseThrow()
                        .request()
                        .encode()
                        .hex())
                .isEqualTo("31020205");
        assertThat(RunMachine.beforeStopping(RunState.begin(List.of(ZERO)))).isEmpty();
        assertThat(RunMachine.beforeStopping(RunState.begin(List.of(CODE)).at(Phase.WRITE)))
                .isEmpty();
    }

    @Test
    void condition_holds_asTheSensorsTell() {
        assertThat(VehicleCondition.KEY_ON.holds(0)).isFalse();
        assertThat(VehicleCondition.KEY_ON.holds(2)).isTrue();
        assertThat(VehicleCondition.ENGINE_OFF.holds(2)).isFalse();
        assertThat(VehicleCondition.ENGINE_RUNNING.holds(1)).isFalse();
        assertThat(VehicleCondition.DOORS_CLOSED.holds(1)).isFalse();
        assertThat(VehicleCondition.GEAR_PARK.holds(1)).isTrue();
        assertThat(VehicleCondition.WINDOWS_CLOSED.holds(1)).isFalse();
        assertThat(VehicleCondition.START_INHIBITED.holds(0)).isFalse();
        for (VehicleCondition condition : VehicleCondition.values())
            assertThat(condition.holds(condition.position()))
                    .as(condition.key())
                    .isTrue();
    }
}
