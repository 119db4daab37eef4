package codrane.app.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import codrane.app.TestWorld;
import codrane.app.Until;
import codrane.app.interfaces.BenchInterface;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure;
import codrane.core.pack.VehicleCondition;
import codrane.core.power.PowerWindow;
import codrane.core.power.SupplyReading;
import codrane.core.run.Recovery;
import codrane.core.run.RunAction;
import codrane.core.run.RunEvent;
import codrane.core.run.RunMachine;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.link.DiagnosticLink;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunControl;
import codrane.link.run.RunGates.Verdict;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A gate before anything was done may close; between tasks it waits for as long as it takes, unless it is told to stop. */
class BenchGatesTest {
    private static final PowerWindow WINDOW = PowerWindow.coding(14.8);
    private final InstantSource time = InstantSource.system();
    private final RunOrder order = mock(RunOrder.class);
    private final BenchInterface bench = mock(BenchInterface.class);
    private final RunControl control = new RunControl("Plover", time.instant());
    private final BenchGates gates = new BenchGates(
            order, mock(DiagnosticLink.class), new RunProgress(mock(LiveHub.class), time, 2201), control, time);
    private Pack pack;
    private RunState first;
    private volatile double volts = 12.0;
    private int renewals;

    @BeforeEach
    void bench() throws Exception {
        pack = TestWorld.pack("brennick-lorne");
        PackModule lift = pack.module("tail-lift");
        RunTask.Write write = new RunTask.Write(lift, 0xF190, Bytes.of(1), WINDOW, "Write the VIN");
        first = RunState.begin(List.of(write, write));
        when(order.bench()).thenReturn(bench);
        when(order.pack()).thenReturn(pack);
        when(bench.samples()).thenAnswer(i -> samples());
        when(bench.readKey(any(), any())).thenReturn(Optional.of(0));
        when(bench.name()).thenReturn("Plover");
    }

    private List<SupplyReading> samples() {
        List<SupplyReading> samples = new ArrayList<>();
        Instant now = time.instant();
        for (int i = 60; i >= 0; i--) samples.add(new SupplyReading(now.minusMillis(i * 200L), volts));
        return samples;
    }

    private CompletableFuture<Verdict> later(RunState state) {
        return CompletableFuture.supplyAsync(() -> gates.awaitPower(state, WINDOW));
    }

    @Test
    void awaitPower_lowBeforeAnythingWasDone_closes() {
        assertThat(((Verdict.Closed) gates.awaitPower(first, WINDOW)).reason()).startsWith("Not started");
    }

    @Test
    void awaitPower_lowBetweenTasks_waitsAndGoesOnByItself() throws Exception {
        CompletableFuture<Verdict> gate = later(RunState.goOn(first.tasks(), 1));
        Until.stays(Duration.ofMillis(1500), () -> !gate.isDone());
        volts = 13.4;
        assertThat(gate.get(5, TimeUnit.SECONDS)).isInstanceOf(Verdict.Open.class);
    }

    private void authorisedFor(Duration left, RunOrder.Renewed renewed) {
        volts = 13.4;
        when(order.gateway()).thenReturn(new Gateway.Authorised(time.instant().plus(left)));
        when(order.renewal()).thenReturn(link -> {
            renewals++;
            return renewed;
        });
    }

    @Test
    void awaitPower_authorisationEndsWithinTheStep_isRenewedOnce_andHolds() {
        authorisedFor(
                Duration.ofSeconds(20),
                new RunOrder.Renewed(Optional.of(time.instant().plus(Duration.ofHours(1))), ""));
        assertThat(gates.awaitPower(first, WINDOW)).isInstanceOf(Verdict.Open.class);
        assertThat(gates.awaitPower(RunState.goOn(first.tasks(), 1), WINDOW)).isInstanceOf(Verdict.Open.class);
        assertThat(renewals).isEqualTo(1);
    }

    @Test
    void awaitPower_authorisationLastsForTheStep_isLeftAlone() {
        authorisedFor(Duration.ofSeconds(45), new RunOrder.Renewed(Optional.empty(), "No."));
        assertThat(gates.awaitPower(first, WINDOW)).isInstanceOf(Verdict.Open.class);
        assertThat(renewals).isZero();
    }

    @Test
    void awaitPower_authorisationIsNotRenewed_stopsWhereItIsSafe_andGoesOnWhenHalfWritten() {
        authorisedFor(Duration.ofSeconds(20), new RunOrder.Renewed(Optional.empty(), "The authority is silent."));
        Verdict.Closed closed = (Verdict.Closed) gates.awaitPower(first, WINDOW);
        assertThat(closed.reason()).contains("Write the VIN", "was not renewed", "The authority is silent.");
        assertThat(closed.nextStep()).isEqualTo("Authorise at Unlock, then go on.");
        assertThat(gates.awaitPower(RunState.recover(first.tasks(), 0), WINDOW)).isInstanceOf(Verdict.Open.class);
        assertThat(renewals).isEqualTo(2);
    }

    @Test
    void awaitPower_unknownWhileRecovering_waits() throws Exception {
        when(bench.samples()).thenReturn(List.of());
        CompletableFuture<Verdict> gate = later(RunState.recover(first.tasks(), 0));
        Until.stays(Duration.ofMillis(1200), () -> !gate.isDone());
        control.stop(new RunControl.Halt("Stopped by tech.", "Go on.", true));
        assertThat(((Verdict.Closed) gate.get(5, TimeUnit.SECONDS)).reason()).isEqualTo("Stopped by tech.");
    }

    @Test
    void awaitConditions_betweenTasks_waitsUntilItIsToldToStop() throws Exception {
        RunState second = RunState.goOn(first.tasks(), 1);
        CompletableFuture<Verdict> gate = CompletableFuture.supplyAsync(() -> gates.awaitConditions(
                second, new RunAction.AwaitConditions(List.of(VehicleCondition.KEY_ON), "Turn the key on.")));
        Until.stays(Duration.ofMillis(1200), () -> !gate.isDone());
        control.stop(new RunControl.Halt("Stopped by tech.", "Go on.", false));
        assertThat(((Verdict.Closed) gate.get(5, TimeUnit.SECONDS)).reason()).isEqualTo("Stopped by tech.");
    }

    @Test
    void beforeSending_leaseLost_sendsNothingMore() {
        control.lose();
        assertThrows(LeaseLostException.class, () -> gates.beforeSending(first));
    }

    @Test
    void beforeSending_leaseNotRenewedForLong_holdsUntilItIs() throws Exception {
        control.renewed(time.instant().minus(Duration.ofSeconds(9)));
        CompletableFuture<Verdict> gate = CompletableFuture.supplyAsync(() -> gates.beforeSending(first));
        Until.stays(Duration.ofMillis(900), () -> !gate.isDone());
        control.renewed(time.instant());
        assertThat(gate.get(5, TimeUnit.SECONDS)).isInstanceOf(Verdict.Open.class);
    }

    /** The next run may have the interface soon, and would not know that something moves. */
    @Test
    void beforeSending_leaseNotRenewedWhileSomethingMoves_stopsTheRun() {
        Procedure procedure = pack.equipment().procedures().values().iterator().next();
        RunTask.Routine routine =
                new RunTask.Routine(pack.module(procedure.module()), procedure, WINDOW, procedure.title());
        RunState moving = Recovery.after(List.of(routine), new Recovery.Ended(0, true, true));
        moving = RunMachine.next(moving, new RunEvent.Proceed()).state();
        assertThat(gates.beforeSending(moving)).isInstanceOf(Verdict.Open.class);
        control.renewed(time.instant().minus(Duration.ofSeconds(9)));
        assertThat(gates.beforeSending(moving)).isInstanceOf(Verdict.Closed.class);
    }

    /** A person may stop a run where nothing is half written; only the end of Codrane itself stops it elsewhere. */
    @Test
    void beforeSending_personStopsACommittedRun_goesOn() {
        RunTask.Program program = new RunTask.Program(first.task().module(), 0, 10, 0, "3.12", WINDOW, "Program");
        RunState committed = RunState.recover(List.of(program), 0);
        assertThat(committed.committed()).isTrue();
        control.stop(new RunControl.Halt("Stopped by tech.", "Go on.", false));
        assertThat(gates.beforeSending(committed)).isInstanceOf(Verdict.Open.class);
        control.stop(new RunControl.Halt("Codrane was told to stop.", "Go on.", true));
        assertThat(gates.beforeSending(committed)).isInstanceOf(Verdict.Closed.class);
    }
}
