package codrane.link.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.access.KeyProvider;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.gateway.OperationMatrix;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink.Waits;
import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure;
import codrane.core.power.PowerWindow;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.TestPacks;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What stands between the run engine and the wire. */
class RunLoopTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");
    private static final PackModule LIFT = LORNE.module("tail-lift");
    private static final PowerWindow WINDOW = PowerWindow.programming(14.8);
    private static final RunTask.Program PROGRAM =
            new RunTask.Program(LIFT, 0x80000, 2000, 7, "3.12", WINDOW, "Program");
    private static final RunTask.Write VIN =
            new RunTask.Write(LIFT, 0xF190, Bytes.ascii("0BKLR3A46MN004127"), WINDOW, "Write the VIN");

    /** Everything in the order in which it happened: journal rows and requests. */
    private final List<String> happened = new ArrayList<>();

    private final Set<Operation> refused = EnumSet.noneOf(Operation.class);
    private RunGates.Verdict power = new RunGates.Verdict.Open();
    private RunGates.Verdict key = new RunGates.Verdict.Open();
    private Optional<RunState.Phase> stopBefore = Optional.empty();
    private KeyProvider keys = (module, seed) -> Optional.of(seed);
    private int loseAfter = Integer.MAX_VALUE;

    private final class Link implements DiagnosticLink {
        private Bytes vin = Bytes.ascii("0BKLR3A48MN004131");

        @Override
        public Reply request(int address, Bytes request, Waits waits) {
            if (loseAfter-- <= 0) throw new LinkLostException("pulled");
            happened.add("sent " + Integer.toHexString(request.u8(0)));
            return new Reply.Positive(answer(request));
        }

        @Override
        public List<Heard> requestAll(Bytes request, Waits waits) {
            throw new UnsupportedOperationException("a run asks no one but its module");
        }

        private Bytes answer(Bytes request) {
            return switch (request.u8(0)) {
                case 0x27 -> request.u8(1) == 1 ? Bytes.of(0x67, 1, 1, 2, 3, 4) : Bytes.of(0x67, 2);
                case 0x22 ->
                    request.u16(1) == 0xF190
                            ? Bytes.parse("62F190").plus(vin)
                            : Bytes.parse("62F189").plus(Bytes.ascii("3.12"));
                case 0x2E -> {
                    vin = request.from(3);
                    yield Bytes.parse("6EF190");
                }
                case 0x31 -> Bytes.of(0x71, 1, request.u8(2), request.u8(3), 0);
                case 0x34 -> Bytes.of(0x74, 0x20, 0x04, 0x02);
                case 0x36 -> Bytes.of(0x76, request.u8(1));
                default -> Bytes.of(request.u8(0) | 0x40, 0);
            };
        }

        @Override
        public void tell(int address, Bytes request) {}

        @Override
        public boolean lost() {
            return loseAfter <= 0;
        }

        @Override
        public void close() {}
    }

    private final class Gates implements RunGates {
        @Override
        public Verdict awaitPower(RunState state, PowerWindow window) {
            return power;
        }

        @Override
        public Verdict awaitConditions(RunState state, RunAction.AwaitConditions conditions) {
            return key;
        }

        @Override
        public Verdict awaitKeyTurn(RunState state, KeyCycle cycle) {
            return key;
        }

        @Override
        public OperationMatrix.Verdict permit(Operation operation) {
            return refused.contains(operation)
                    ? new OperationMatrix.Verdict.Refused("The gateway is locked.")
                    : new OperationMatrix.Verdict.Allowed("open");
        }

        @Override
        public Verdict beforeSending(RunState state) {
            if (state.phase() == RunState.Phase.TRANSFER) happened.add("block " + state.block());
            return stopBefore.equals(Optional.of(state.phase()))
                    ? new Verdict.Closed("Codrane was told to stop.", "Go on.")
                    : new Verdict.Open();
        }

        @Override
        public void pause(Duration time) {}
    }

    private final class Journal implements RunJournal {
        @Override
        public void open(RunState state, RunAction action) {
            happened.add("journal");
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {
            happened.add("closed");
        }
    }

    private RunAction run(RunTask... tasks) {
        var image = CalibrationWriter.image(0x80000, new byte[2000]);
        return new RunLoop(new RunLoop.Wire(new Link(), keys), LORNE, image, new Gates(), new Journal())
                .run(RunState.begin(List.of(tasks)))
                .action();
    }

    @Test
    void run_everyRequest_isJournalledBeforeItIsSentAndClosedAfter() {
        assertThat(run(PROGRAM, VIN)).isInstanceOf(RunAction.Finished.class);
        for (int i = 0; i < happened.size(); i++) {
            if (!happened.get(i).startsWith("sent")) continue;
            assertThat(happened.get(i - 1)).isEqualTo("journal");
            assertThat(happened.get(i + 1)).isEqualTo("closed");
        }
        assertThat(happened).contains("block 1", "block 2", "sent 36", "sent 2e");
    }

    @ParameterizedTest
    @EnumSource(
            value = Operation.class,
            names = {"SECURITY", "PROGRAM", "ROUTINE"})
    void run_operationThatTheGatewayRefuses_isNotSentAndTheReasonIsKept(Operation operation) {
        refused.add(operation);
        RunAction.Stopped stopped = (RunAction.Stopped) run(PROGRAM);
        assertThat(stopped.sentence()).isEqualTo("The gateway is locked.");
        String forbidden =
                operation == Operation.SECURITY ? "sent 27" : operation == Operation.PROGRAM ? "sent 31" : "sent 11";
        assertThat(happened).doesNotContain(forbidden);
    }

    @Test
    void run_codingRefusedByTheGateway_writesNothing() {
        refused.add(Operation.CODE);
        assertThat(run(VIN)).isInstanceOf(RunAction.Stopped.class);
        assertThat(happened).doesNotContain("sent 2e");
    }

    @Test
    void run_powerOrKeyGateClosed_sendsNothingAtAll() {
        power = new RunGates.Verdict.Closed("12.1 V", "Raise it.");
        assertThat(((RunAction.Stopped) run(PROGRAM)).lost()).isFalse();
        power = new RunGates.Verdict.Open();
        key = new RunGates.Verdict.Closed("The key is off.", "Turn it on.");
        assertThat(((RunAction.Stopped) run(VIN)).nextStep()).isEqualTo("Turn it on.");
        assertThat(happened).isEmpty();
    }

    @Test
    void run_linkLostAnywhere_isAStopThatNeedsRecovery() {
        for (int after = 0; after < 12; after++) {
            loseAfter = after;
            assertThat(((RunAction.Stopped) run(PROGRAM, VIN)).lost()).isTrue();
        }
    }

    @Test
    void run_toldToStop_endsBeforeTheNextRequestAndSaysWhetherTheModuleIsWhole() {
        stopBefore = Optional.of(RunState.Phase.TRANSFER);
        assertThat(((RunAction.Stopped) run(PROGRAM, VIN)).lost()).isTrue();
        assertThat(happened).doesNotContain("sent 36");
        stopBefore = Optional.of(RunState.Phase.WRITE);
        assertThat(((RunAction.Stopped) run(VIN)).lost()).isFalse();
        assertThat(happened).doesNotContain("sent 2e");
    }

    @Test
    void run_keyThatNobodyKnows_stopsBeforeAnythingIsWritten() {
        keys = (module, seed) -> Optional.empty();
        assertThat(run(PROGRAM)).isInstanceOfSatisfying(RunAction.Stopped.class, stopped -> {
            assertThat(stopped.lost()).isFalse();
            assertThat(stopped.sentence()).isEqualTo("Nobody here knows the key of the tail lift.");
        });
        assertThat(happened).doesNotContain("sent 31", "sent 34", "sent 36");
    }

    /** The journal may be what the run waits for. */
    @Test
    void run_toldToStopWhileSomethingMoves_stopsItBeforeThatIsWrittenDown() {
        stopBefore = Optional.of(RunState.Phase.RESULT);
        Procedure procedure = LORNE.equipment().procedures().values().iterator().next();
        run(new RunTask.Routine(LORNE.module(procedure.module()), procedure, WINDOW, procedure.title()));
        assertThat(happened.subList(happened.size() - 3, happened.size()))
                .containsExactly("sent 31", "journal", "closed");
    }
}
