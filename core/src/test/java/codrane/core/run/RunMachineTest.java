package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.pack.VehicleCondition;
import codrane.core.power.PowerWindow;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RunMachineTest {
    private static final PowerWindow WINDOW = PowerWindow.programming(14.8);
    private static final PackModule LIFT = Packs.lorne().module("tail-lift");
    private static final PackModule BODY = Packs.lorne().module("body");
    private static final RunTask.Program PROGRAM =
            new RunTask.Program(LIFT, 0x80000, 3000, 0xCAFE, "3.12", WINDOW, "Program");
    private static final RunTask.Write VIN =
            new RunTask.Write(LIFT, 0xF190, Bytes.ascii("0BKLR3A46MN004127"), WINDOW, "Write the VIN");

    /** A module that answers as it should; each test changes one answer. */
    private static class Module {
        final List<String> sent = new ArrayList<>();
        Bytes stored = Bytes.ascii("0BKLR3A48MN004131");
        int blocks;
        String software = "3.12";
        Bytes transferState = Bytes.of(2, 0, 0x08, 0x04, 0x00);

        Reply answer(RunAction action) {
            return switch (action) {
                case RunAction.Send send -> {
                    sent.add(send.request().encode().hex());
                    yield positive(send.request().encode());
                }
                case RunAction.SendKey key -> answer(Played.keyed(key));
                case RunAction.SendBlock block -> {
                    blocks++;
                    sent.add("36@%05X+%d".formatted(block.address(), block.length()));
                    yield new Reply.Positive(Bytes.of(0x76, block.counter()));
                }
                default -> throw new IllegalStateException(action.toString());
            };
        }

        Reply positive(Bytes request) {
            Bytes message = switch (request.u8(0)) {
                case 0x10 -> Bytes.of(0x50, request.u8(1), 0, 0x32, 0x01, 0xF4);
                case 0x27 -> request.u8(1) == 1 ? Bytes.of(0x67, 1, 9, 9, 9, 9) : Bytes.of(0x67, 2);
                case 0x22 -> Bytes.of(0x62, request.u8(1), request.u8(2)).plus(value(request.u16(1)));
                case 0x2E -> {
                    stored = request.from(3);
                    yield Bytes.of(0x6E, request.u8(1), request.u8(2));
                }
                case 0x31 -> Bytes.of(0x71, 1, request.u8(2), request.u8(3), 0);
                case 0x34 -> Bytes.of(0x74, 0x20, 0x04, 0x02);
                default -> Bytes.of(request.u8(0) + 0x40);
            };
            return new Reply.Positive(message);
        }

        private Bytes value(int did) {
            return did == 0xF189 ? Bytes.ascii(software) : did == 0x0210 ? transferState : stored;
        }
    }

    private static RunAction run(RunState start, Module module) {
        Step step = RunMachine.next(start, new RunEvent.Proceed());
        for (int i = 0; i < 500; i++) {
            RunAction action = step.action();
            if (action instanceof RunAction.Finished || action instanceof RunAction.Stopped) return action;
            boolean asks = action instanceof RunAction.Send
                    || action instanceof RunAction.SendKey
                    || action instanceof RunAction.SendBlock;
            step = RunMachine.next(
                    step.state(), asks ? new RunEvent.Answered(module.answer(action)) : new RunEvent.Proceed());
        }
        throw new IllegalStateException("the run does not end");
    }

    private static RunAction fresh(Module module, RunTask... tasks) {
        return run(RunState.begin(List.of(tasks)), module);
    }

    @Test
    void program_goodModule_sendsEveryOctetOnceAndFinishes() {
        Module module = new Module();
        assertThat(fresh(module, PROGRAM)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent)
                .containsSubsequence(
                        "1002",
                        "2701",
                        "3101FF000008000000000BB8",
                        "3400440008000000000BB8",
                        "36@80000+1024",
                        "36@80400+1024",
                        "36@80800+952",
                        "37",
                        "3101FF010000CAFE",
                        "1101",
                        "3E00",
                        "22F189");
        assertThat(module.blocks).isEqualTo(3);
    }

    /** Somebody is asked for what the module wants of the vehicle, and told how, before its session is opened. */
    @Test
    void program_moduleThatWantsTheStartInhibited_waitsForItBeforeItsSession() {
        RunTask.Program engine = new RunTask.Program(
                Packs.load("ardwyn-gannet").module("engine"), 0x100000, 3000, 0xCAFE, "9.2", WINDOW, "Program");
        Step step = RunMachine.next(RunState.begin(List.of(engine)), new RunEvent.Proceed());
        assertThat(step.action()).isInstanceOf(RunAction.AwaitPower.class);
        RunAction.AwaitConditions asked = (RunAction.AwaitConditions)
                RunMachine.next(step.state(), new RunEvent.Proceed()).action();
        assertThat(asked.needs())
                .containsExactly(
                        VehicleCondition.KEY_ON, VehicleCondition.ENGINE_OFF, VehicleCondition.START_INHIBITED);
        assertThat(asked.prompt()).contains("leave the engine off", "service switch at the battery box");
    }

    @Test
    void tasks_inOrder_areAllDone() {
        Module module = new Module();
        RunTask restart = new RunTask.Restart(LIFT, "Restart");
        RunTask clear = new RunTask.Clear(LIFT, "Clear");
        assertThat(fresh(module, PROGRAM, VIN, restart, clear)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent)
                .containsSubsequence("1002", "1101", "22F189", "1003", "22F190", "1101", "14FFFFFF", "1902FF");
    }

    @Test
    void program_blockRefused_isLostBecauseErasedAlready() {
        Module module = new Module() {
            @Override
            Reply answer(RunAction action) {
                return action instanceof RunAction.SendBlock
                        ? new Reply.Refused(Known.GENERAL_PROGRAMMING_FAILURE.code())
                        : super.answer(action);
            }
        };
        RunAction.Stopped stopped = (RunAction.Stopped) fresh(module, PROGRAM);
        assertThat(stopped.lost()).isTrue();
        assertThat(stopped.sentence()).isEqualTo("Tail lift refuses: writing its memory failed.");
    }

    @Test
    void program_keyRefused_stopsWhereItIsSafe() {
        Module module = new Module() {
            @Override
            Reply positive(Bytes request) {
                return request.startsWith(Bytes.of(0x27, 2))
                        ? new Reply.Refused(Known.INVALID_KEY.code())
                        : super.positive(request);
            }
        };
        RunAction.Stopped stopped = (RunAction.Stopped) fresh(module, PROGRAM);
        assertThat(stopped.lost()).isFalse();
        assertThat(module.sent).noneMatch(s -> s.startsWith("31"));
    }

    @Test
    void program_silentBlock_isRepeatedWithTheSameCounterThenLost() {
        List<Integer> counters = new ArrayList<>();
        Module module = new Module() {
            @Override
            Reply answer(RunAction action) {
                if (!(action instanceof RunAction.SendBlock block)) return super.answer(action);
                counters.add(block.counter());
                return new Reply.Silent(Duration.ofMillis(50));
            }
        };
        assertThat(((RunAction.Stopped) fresh(module, PROGRAM)).lost()).isTrue();
        assertThat(counters).containsExactly(1, 1, 1);
    }

    @Test
    void program_otherSoftwareAfterwards_isNotBelieved() {
        Module module = new Module();
        module.software = "3.08";
        assertThat(((RunAction.Stopped) fresh(module, PROGRAM)).sentence())
                .contains("reports software 3.08 instead of 3.12");
    }

    @Test
    void recover_fromAddress_goesOnWhereTheModuleSaysWithoutErasing() {
        Module module = new Module();
        assertThat(run(RunState.recover(List.of(PROGRAM), 0), module)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent)
                .noneMatch(s -> s.startsWith("3101FF00"))
                .contains("34004400080400000007B8", "36@80400+1024");
        assertThat(module.blocks).isEqualTo(2);
    }

    @Test
    void recover_power_needsOnlyTheHoldVoltage() {
        Step fresh = RunMachine.next(RunState.begin(List.of(PROGRAM)), new RunEvent.Proceed());
        Step recovering = RunMachine.next(RunState.recover(List.of(PROGRAM), 0), new RunEvent.Proceed());
        assertThat(((RunAction.AwaitPower) fresh.action()).window().start()).isEqualTo(WINDOW.start());
        assertThat(((RunAction.AwaitPower) recovering.action()).window().start())
                .isEqualTo(WINDOW.hold());
    }

    @Test
    void recover_fromErase_erasesAndBeginsAgain() {
        Module module = new Module();
        RunTask.Program program = new RunTask.Program(BODY, 0x40000, 3000, 1, "3.12", WINDOW, "Program");
        assertThat(run(RunState.recover(List.of(program), 0), module)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent).anyMatch(s -> s.startsWith("3101FF00")).contains("36@40000+512");
    }

    @Test
    void recover_oldContentStillVerified_isErasedAfterItsCheckFails() {
        Module module = new Module() {
            @Override
            Reply positive(Bytes request) {
                boolean firstCheck = request.startsWith(Bytes.of(0x31, 1, 0xFF, 1)) && blocks == 0;
                return firstCheck ? new Reply.Positive(Bytes.of(0x71, 1, 0xFF, 1, 1)) : super.positive(request);
            }
        };
        module.transferState = Bytes.of(3, 0, 0, 0, 0);
        assertThat(run(RunState.recover(List.of(PROGRAM), 0), module)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.blocks).isEqualTo(3);
    }

    @Test
    void write_alreadyThere_isNotWrittenAgain() {
        Module module = new Module();
        module.stored = VIN.value();
        assertThat(fresh(module, VIN)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent).noneMatch(s -> s.startsWith("2E"));
    }

    @Test
    void write_noAnswer_isReadAndNeverRepeatedBlindly() {
        Module module = new Module() {
            @Override
            Reply positive(Bytes request) {
                Reply reply = super.positive(request);
                return request.u8(0) == 0x2E ? new Reply.Silent(Duration.ofMillis(50)) : reply;
            }
        };
        assertThat(fresh(module, VIN)).isInstanceOf(RunAction.Finished.class);
        assertThat(module.sent).filteredOn(s -> s.startsWith("2E")).hasSize(1);
        assertThat(module.sent).last().isEqualTo("22F190");
    }

    @Test
    void write_readBackDiffers_isNotBelieved() {
        Module module = new Module() {
            @Override
            Reply positive(Bytes request) {
                Bytes before = stored;
                Reply reply = super.positive(request);
                stored = before;
                return reply;
            }
        };
        assertThat(((RunAction.Stopped) fresh(module, VIN)).sentence()).contains("instead of what was written");
    }

    @ParameterizedTest
    @EnumSource(Phase.class)
    void committed_onlyBetweenEraseAndVerify(Phase phase) {
        RunState state = RunState.begin(List.of(PROGRAM)).at(phase);
        boolean expected = List.of(Phase.ERASE, Phase.REQUEST_DOWNLOAD, Phase.TRANSFER, Phase.EXIT, Phase.CHECK)
                .contains(phase);
        assertThat(state.committed()).isEqualTo(expected);
    }

    @Test
    void responseCode_unknownNumber_survivesWithASentence() {
        assertThat(new ResponseCode(0xE7).words()).isEqualTo("it refuses with code E7");
        assertThat(new ResponseCode(0x33).known()).contains(Known.SECURITY_ACCESS_DENIED);
    }
}
