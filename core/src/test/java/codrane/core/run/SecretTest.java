package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.power.PowerWindow;
import codrane.core.uds.ResponseCode.Known;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Pairing and keys in a run: asked before and after, a code sent once, and what the modules report decides. */
class SecretTest {
    private static final Pack LORNE = Packs.load("brennick-lorne");
    private static final Immobiliser SHARED = LORNE.equipment().immobiliser().orElseThrow();
    private static final PowerWindow WINDOW = PowerWindow.coding(14.8);
    private static final RunTask PAIR =
            new RunTask.Pair(LORNE.module("key-reader"), LORNE.module("gearbox"), SHARED, WINDOW, "Pair the gearbox");

    private static RunTask key(int number) {
        return new RunTask.LearnKey(LORNE.module("key-reader"), SHARED, number, WINDOW, "Learn key " + number);
    }

    /** A keeper of the secret and a member of it. */
    private static final class Modules {
        final List<String> happened = new ArrayList<>();
        boolean paired;
        int attempts = 3;
        int waits;
        int keys;
        boolean silentAfterCode;
        /** What comes back for the code; empty: it is right. */
        Optional<Reply> verdict = Optional.empty();
        /** After how many looks at the open window the key is turned; never when less than zero. */
        int turnedAfter = 2;

        Reply answer(RunAction.Send send) {
            happened.add(send.module() + " " + send.request().encode().hex());
            int service = send.request().encode().u8(0);
            if (silentAfterCode && paired && send.module().equals("gearbox"))
                return new Reply.Silent(Duration.ofSeconds(5));
            if (service == 0x22)
                return new Reply.Positive(
                        Bytes.of(0x62, 2, 0x20, paired ? 1 : 0, attempts, waits >> 8, waits & 0xFF, keys));
            if (service == 0x31 && send.request().encode().u8(1) == 3) return window();
            if (send.code()) {
                if (verdict.isPresent()) return verdict.get();
                if (send.request().encode().u16(2) == SHARED.pairRoutine()) paired = true;
                return new Reply.Positive(
                        Bytes.of(0x71, 1, 3, send.request().encode().u8(3), 0));
            }
            return new Reply.Positive(
                    Bytes.of(service + 0x40).plus(send.request().encode().from(1)));
        }

        private Reply window() {
            if (turnedAfter-- == 0) keys++;
            return new Reply.Positive(Bytes.of(0x71, 3, 3, 0x21, turnedAfter >= 0 || turnedAfter < -1 ? 1 : 0, keys));
        }
    }

    private static Step run(RunState start, Modules modules) {
        return Played.run(start, modules::answer, modules.happened);
    }

    private static RunAction.Stopped stopped(RunState start, Modules modules) {
        return (RunAction.Stopped) run(start, modules).action();
    }

    private static void finished(RunState start, Modules modules) {
        assertThat(run(start, modules).action()).isInstanceOf(RunAction.Finished.class);
    }

    @Test
    void pair_looksFirst_sendsTheCodeOnce_andLooksAgain() {
        Modules modules = new Modules();
        finished(RunState.begin(List.of(PAIR)), modules);
        assertThat(modules.happened)
                .containsExactly(
                        "AwaitPower",
                        "AwaitConditions",
                        "gearbox 220220",
                        "key-reader 220220",
                        "key-reader 1003",
                        "key-reader 310103201B",
                        "gearbox 220220");
    }

    /** Begun before and lost, or paired by another tool: nothing is sent a second time. */
    @Test
    void pair_alreadyPaired_sendsNothing() {
        Modules modules = new Modules();
        modules.paired = true;
        finished(RunState.recover(List.of(PAIR), 0), modules);
        assertThat(modules.happened).containsExactly("AwaitPower", "AwaitConditions", "gearbox 220220");
    }

    @Test
    void pair_noAnswerToTheCode_asksWhatBecameOfIt_andRepeatsNothing() {
        Modules lost = new Modules();
        lost.verdict = Optional.of(new Reply.Silent(Duration.ofSeconds(5)));
        assertThat(stopped(RunState.begin(List.of(PAIR)), lost).sentence())
                .isEqualTo("Key reader ended the pairing, and the gearbox says that it is not paired.");
        assertThat(lost.happened).containsOnlyOnce("key-reader 310103201B");
    }

    /** The supply falls when the first member is paired: the run waits, and that one's code is not sent again. */
    @Test
    void pair_powerLostBetweenTwoMembers_goesOnWithTheSecondOnly() {
        RunTask engine =
                new RunTask.Pair(LORNE.module("key-reader"), LORNE.module("engine"), SHARED, WINDOW, "Pair the engine");
        Modules modules = new Modules();
        finished(RunState.recover(List.of(PAIR, engine), 1), modules);
        assertThat(modules.happened)
                .contains("engine 220220")
                .noneMatch(h -> h.equals("gearbox 220220") || h.endsWith("310103201B"));
    }

    @Test
    void pair_memberThatFallsSilentAfterTheCode_isSaidToBeUnknown_andNothingIsSentAgain() {
        Modules modules = new Modules();
        modules.silentAfterCode = true;
        RunAction.Stopped stop = stopped(RunState.begin(List.of(PAIR)), modules);
        assertThat(stop.sentence()).isEqualTo("Gearbox does not answer: whether it was done is not known.");
        assertThat(stop.nextStep()).contains("no code is sent blindly");
        assertThat(stop.lost()).isFalse();
        assertThat(modules.happened).containsOnlyOnce("key-reader 310103201B");
        modules.silentAfterCode = false;
        modules.happened.clear();
        finished(RunState.recover(List.of(PAIR), 0), modules); // it was paired all the while
        assertThat(modules.happened).noneMatch(h -> h.endsWith("310103201B"));
    }

    @Test
    void pair_memberThatIsSilentFromTheBeginning_isTheOneThatIsNamed() {
        Modules modules = new Modules();
        modules.silentAfterCode = true;
        modules.paired = true;
        assertThat(stopped(RunState.begin(List.of(PAIR)), modules).sentence()).startsWith("Gearbox did not answer");
        assertThat(modules.happened).noneMatch(h -> h.startsWith("key-reader"));
    }

    @Test
    void pair_wrongCode_saysHowManyAttemptsAreLeft_orHowLongItWaits() {
        Modules wrong = new Modules();
        wrong.attempts = 1;
        wrong.verdict = Optional.of(new Reply.Refused(Known.INVALID_KEY.code()));
        RunAction.Stopped stop = stopped(RunState.begin(List.of(PAIR)), wrong);
        assertThat(stop.sentence()).isEqualTo("Key reader did not take the code; 1 attempt is left.");
        assertThat(stop.nextStep()).contains("type it anew at Prepare");
        assertThat(stop.lost()).isFalse();
        Modules waits = new Modules();
        waits.waits = 600;
        assertThat(stopped(RunState.begin(List.of(PAIR)), waits).sentence())
                .isEqualTo("Key reader takes no code for another 10 min.");
        assertThat(waits.happened).noneMatch(h -> h.contains("3101"));
    }

    @Test
    void keys_afterPairing_eachWaitsForAPerson_andIsLearnedInItsWindow() {
        Modules modules = new Modules();
        List<RunTask> tasks = List.of(PAIR, key(1), key(2));
        Step first = run(RunState.begin(tasks), modules);
        assertThat(first.state().index()).isEqualTo(1);
        assertThat(((RunAction.Stopped) first.action()).sentence())
                .isEqualTo("What is before it is written. \"Learn key 1\" is begun by somebody at the vehicle.");
        assertThat(((RunAction.Stopped) first.action()).nextStep()).endsWith("turn the key off and on within 30 s.");
        Step second = run(RunState.goOn(tasks, 1), modules);
        assertThat(second.state().index()).isEqualTo(2);
        assertThat(modules.keys).isEqualTo(1);
        modules.turnedAfter = 0;
        finished(RunState.goOn(tasks, 2), modules);
        assertThat(modules.keys).isEqualTo(2);
        assertThat(modules.happened.stream().filter(h -> h.equals("key-reader 31010321")))
                .hasSize(2);
    }

    @Test
    void key_notTurnedInItsWindow_isNotLearned_andTheNextReleaseOpensItAnew() {
        Modules modules = new Modules();
        modules.turnedAfter = -2;
        RunAction.Stopped stop = stopped(RunState.begin(List.of(key(1))), modules);
        assertThat(stop.sentence()).isEqualTo("Key reader saw no key turned within 30 s.");
        assertThat(stop.lost()).isFalse();
        modules.turnedAfter = 1;
        finished(RunState.goOn(List.of(key(1)), 0), modules);
    }

    /** "Failed" may have worked: a key that is known is not learned again; keys that nobody learned here are asked about. */
    @Test
    void key_knownAlready_isNotLearnedAgain_andAStrangersIsAsked() {
        Modules known = new Modules();
        known.keys = 1;
        finished(RunState.begin(List.of(key(1))), known);
        assertThat(known.happened).noneMatch(h -> h.contains("3101"));
        Modules strange = new Modules();
        strange.keys = 2;
        assertThat(stopped(RunState.begin(List.of(key(1))), strange).sentence())
                .isEqualTo("Key reader knows 2 keys where none was learned here.");
    }

    /** Another tool learns them: a person is asked, and the keeper of the secret is believed, nobody else. */
    @Test
    void keys_ofAnotherTool_areCarriedOver_andCountedAfterwards() {
        Pack dunlin = Packs.load("peregil-dunlin");
        Immobiliser shared = dunlin.equipment().immobiliser().orElseThrow();
        PackModule body = dunlin.module("body");
        List<RunTask> tasks = List.of(
                new RunTask.Clear(body, "Clear"), new RunTask.KeysElsewhere(body, shared, 2, WINDOW, "Learn 2 keys"));
        Modules modules = new Modules();
        Step asks = run(RunState.begin(tasks), modules);
        assertThat(((RunAction.Stopped) asks.action()).sentence())
                .endsWith("\"Learn 2 keys\" is done with Heron Peregil.");
        assertThat(((RunAction.Stopped) asks.action()).nextStep()).contains("the codes and 2 keys, each within 20 s");
        modules.keys = 1;
        assertThat(stopped(RunState.goOn(tasks, 1), modules).sentence()).isEqualTo("Body knows 1 key, and 2 are here.");
        modules.keys = 2;
        finished(RunState.goOn(tasks, 1), modules);
        assertThat(modules.happened).noneMatch(h -> h.contains("3101"));
    }

    @Test
    void state_whichNobodyUnderstands_stopsBeforeACodeIsSent() {
        Modules modules = new Modules();
        RunState look = RunState.begin(List.of(PAIR)).at(RunState.Phase.LOOK);
        Step step = RunMachine.next(look, new RunEvent.Answered(new Reply.Positive(Bytes.of(0x62, 2, 0x20, 1))));
        assertThat(((RunAction.Stopped) step.action()).sentence())
                .isEqualTo("Gearbox does not tell how the immobiliser stands.");
        assertThat(modules.happened).isEmpty();
    }
}
