package codrane.standin.module;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.Asking;
import codrane.standin.Conditions;
import codrane.standin.TestPacks;
import codrane.standin.vehicle.Setup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Requests out of order, in the wrong session or of a wrong form: each is refused for its own reason. */
class SequenceTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");

    private static Asking lift() {
        return new Asking(Setup.healthy(LORNE, Conditions.LORNE), "tail-lift");
    }

    /** Erased, and a download begun. */
    private static Asking downloading() {
        Asking lift = lift().unlocked(2);
        PackModule.Range segment = lift.module.flash().orElseThrow().segment();
        String range = "%08X%08X".formatted(segment.start(), segment.length());
        assertThat(lift.ask("3101FF00" + range)).isEqualTo("7101FF0000");
        assertThat(lift.ask("340044" + range)).startsWith("74");
        return lift;
    }

    private static Bytes block(Asking lift, int number) {
        PackModule.Flash flash = lift.module.flash().orElseThrow();
        int data = flash.blockBytes() - 2;
        int left = flash.segment().length() - (number - 1) * data;
        return Bytes.of(0x36, number & 0xFF).plus(Bytes.filled(Math.min(left, data), 0x5A));
    }

    private static int blocks(Asking lift) {
        PackModule.Flash flash = lift.module.flash().orElseThrow();
        return -Math.floorDiv(-flash.segment().length(), flash.blockBytes() - 2);
    }

    @Test
    void exit_beforeAllOctetsCame_isOutOfOrder_andTheTransferGoesOn() {
        Asking lift = downloading();
        assertThat(lift.ask("37")).isEqualTo("7F3724");
        assertThat(lift.ask(block(lift, 1).hex())).isEqualTo("7601");
        assertThat(lift.ask("37")).isEqualTo("7F3724");
        assertThat(lift.ask(block(lift, 2).hex())).isEqualTo("7602");
    }

    @Test
    void block_afterAllCame_isOutOfOrder_butTheLastOneMayBeRepeated() {
        Asking lift = downloading();
        int blocks = blocks(lift);
        for (int i = 1; i <= blocks; i++) lift.ask(block(lift, i));
        String last = "76%02X".formatted(blocks & 0xFF);
        assertThat(lift.ask(block(lift, blocks).hex())).isEqualTo(last); // its answer was lost
        assertThat(lift.ask("36%02X00".formatted(blocks + 1 & 0xFF))).isEqualTo("7F3624");
        assertThat(lift.ask("36%02X00".formatted(blocks + 7 & 0xFF))).isEqualTo("7F3624");
        assertThat(lift.ask("37")).isEqualTo("77");
        assertThat(lift.ask("37")).isEqualTo("7F3724");
        assertThat(lift.ask("360100")).isEqualTo("7F3624");
    }

    @ParameterizedTest
    @CsvSource({
        "1001, 360100, 7F367F", // what only programming has is not in this session
        "1001, 37, 7F377F",
        "1003, 360100, 7F367F",
        "1003, 37, 7F377F",
        "1001, 3101FF000008000000000001, 7F3131", // a routine that the session does not have
        "1003, 3101FF000008000000000001, 7F3131",
        "1003, 3101FF0100000000, 7F3131",
    })
    void programming_outsideItsSession(String session, String request, String answer) {
        Asking lift = lift();
        lift.ask(session);
        assertThat(lift.ask(request)).isEqualTo(answer);
    }

    @ParameterizedTest
    @ValueSource(strings = {"340000", "340004", "340040", "340055", "3400F4", "34004F"})
    void download_formatThatTheModuleDoesNotHave_isOutOfRange(String head) {
        assertThat(lift().unlocked(2).ask(head + "00".repeat(16))).isEqualTo("7F3431");
    }

    @ParameterizedTest
    @CsvSource({
        "3400440008000000, 13", // size cut
        "34004400080000000100000000, 13", // an octet too many
        "34004400000000 00000010, 31", // not this memory
        "34114400080000 00010000, 31", // packed
        "34004400080000 00010000, 70", // this memory, and not erased
    })
    void download_rangeAndLength(String request, String code) {
        assertThat(lift().unlocked(2).ask(request)).isEqualTo("7F34" + code);
    }

    @Test
    void erase_unknownSubFunction_isThat() {
        assertThat(lift().unlocked(2).ask("3103FF00")).isEqualTo("7F3112");
    }

    @Test
    void clear_knownFaultThatIsNotStored_isDone_anUnknownOneIsNot() {
        Pack.FaultText known = LORNE.faults().stream()
                .filter(f -> f.module().equals("tail-lift"))
                .findFirst()
                .orElseThrow();
        String number = "%06X".formatted(known.code().number());
        assertThat(lift().ask("1902FF")).doesNotContain(number);
        assertThat(lift().ask("14" + number)).isEqualTo("54");
        assertThat(lift().ask("14123456")).isEqualTo("7F1431");
    }

    @ParameterizedTest
    @ValueSource(strings = {"tolvane-wisp", "tolvane-chorus", "brennick-almery"})
    void unknownService_isUnknown_evenBehindALockedGateway(String name) {
        Pack pack = TestPacks.load(name);
        Asking doors = new Asking(Setup.healthy(pack, Conditions.standard(pack).vin()), "doors");
        for (String unknown : new String[] {"2A01", "3801", "84", "8601", "BA", "00"})
            assertThat(doors.ask(unknown)).as(unknown).endsWith("11");
        assertThat(doors.ask("14FFFFFF")).isNotEqualTo("7F1411");
    }
}
