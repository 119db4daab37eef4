package codrane.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.power.PowerWindow;
import codrane.core.uds.ResponseCode.Known;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A module that learns its VIN from a neighbour: erased once, restarted, and believed only when it tells the VIN. */
class LearnVinTest {
    private static final Pack LORNE = Packs.load("brennick-lorne");
    private static final Bytes VIN = Bytes.ascii("0BKLR3A46MN004127");
    private static final RunTask LEARN =
            new RunTask.LearnVin(LORNE.module("doors"), 0x0235, VIN, PowerWindow.coding(14.8), "Have the VIN learned");

    private static final class Doors {
        final List<String> happened = new ArrayList<>();
        Bytes vin = Bytes.ascii("0BKLR3A48MN004131");
        /** How often it tells no VIN after its restart; never learned when less than zero. */
        int slow = 2;

        boolean refuses;

        Reply answer(RunAction.Send send) {
            String request = send.request().encode().hex();
            happened.add(request);
            if (request.equals("22F190")) {
                if (vin.allAre(0xFF) && happened.contains("1101") && slow-- == 0) vin = VIN;
                return new Reply.Positive(Bytes.of(0x62, 0xF1, 0x90).plus(vin));
            }
            if (request.equals("31010235")) {
                if (refuses) return new Reply.Refused(Known.SECURITY_ACCESS_DENIED.code());
                vin = Bytes.filled(17, 0xFF);
            }
            int service = send.request().encode().u8(0);
            if (service == 0x27 && send.request().encode().length() == 2)
                return new Reply.Positive(Bytes.of(0x67, send.request().encode().u8(1), 0, 0, 0, 0));
            return new Reply.Positive(
                    Bytes.of(service + 0x40).plus(send.request().encode().from(1)));
        }
    }

    private static Step run(RunState start, Doors doors) {
        return Played.run(start, doors::answer, doors.happened);
    }

    @Test
    void learn_anotherVin_isErasedRestartedAndAskedUntilItTellsTheVehicles() {
        Doors doors = new Doors();
        assertThat(run(RunState.begin(List.of(LEARN)), doors).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(doors.happened)
                .containsSubsequence("AwaitPower", "AwaitConditions", "22F190", "1003", "31010235", "1101", "22F190")
                .containsOnlyOnce("31010235");
    }

    @Test
    void learn_holdsIt_isLeftAlone_andOneThatWasErasedIsOnlyRestarted() {
        Doors holds = new Doors();
        holds.vin = VIN;
        assertThat(run(RunState.begin(List.of(LEARN)), holds).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(holds.happened).doesNotContain("31010235", "1101");
        Doors erased = new Doors();
        erased.vin = Bytes.filled(17, 0xFF);
        assertThat(run(RunState.recover(List.of(LEARN), 0), erased).action()).isInstanceOf(RunAction.Finished.class);
        assertThat(erased.happened).contains("1101").doesNotContain("31010235");
    }

    @Test
    void learn_neverTold_orRefused_stopsAndSaysWhatToDo() {
        Doors never = new Doors();
        never.slow = -1;
        RunAction.Stopped stop =
                (RunAction.Stopped) run(RunState.begin(List.of(LEARN)), never).action();
        assertThat(stop.sentence()).isEqualTo("Doors has not learned a VIN.");
        assertThat(stop.nextStep()).contains("until the vehicle sleeps");
        Doors refuses = new Doors();
        refuses.refuses = true;
        assertThat(((RunAction.Stopped)
                                run(RunState.begin(List.of(LEARN)), refuses).action())
                        .sentence())
                .startsWith("Doors refuses:");
        assertThat(refuses.happened).doesNotContain("1101");
    }
}
