package codrane.app.records;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.TestApp;
import codrane.app.packs.PackShelf;
import codrane.app.records.ChangeLedger.Change;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ChangeLineTest {
    private static final Pack LORNE = TestApp.bean(PackShelf.class).get("brennick-lorne");
    private static final Layout LIFT = LORNE.layouts().get("lift-main");

    private static List<String> details(Integer did, String before, String after) {
        Change change = new Change(Instant.EPOCH, "tail-lift", "what", did, before, after, "3.12");
        return ChangeLine.of(LORNE, List.of(new ChangeLedger.Made(change, "tech", 1)), Instant::toString)
                .getFirst()
                .details();
    }

    private static Bytes block(Map<String, String> values, Bytes from) {
        return ((Layout.Encoded.Block) LIFT.encode(values, from)).octets();
    }

    @Test
    void of_software_isSaidInVersions() {
        assertThat(details(null, "3.08", "3.12")).containsExactly("software 3.08 → 3.12");
        assertThat(details(null, "", "3.12")).containsExactly("software none → 3.12");
    }

    @Test
    void of_vin_isReadableAndABlankOneIsNone() {
        String vin = Bytes.ascii("0BKLR3A46MN004127").hex();
        assertThat(details(0xF190, "FF".repeat(17), vin)).containsExactly("none → 0BKLR3A46MN004127");
    }

    @Test
    void of_coding_namesOnlyTheSettingsThatChanged() {
        Bytes before = block(Map.of("platform", "steel", "beeper", "loud"), Bytes.filled(24, 0));
        Bytes after = block(Map.of("platform", "folding"), before);
        assertThat(details(0x0670, before.hex(), after.hex())).containsExactly("Platform: steel → folding");
    }

    @Test
    void of_codingThatWasBlankOrUnknown_isSaidAsWrittenAnew() {
        Bytes after = block(Map.of("platform", "folding"), Bytes.filled(24, 0));
        assertThat(details(0x0670, "FF".repeat(24), after.hex()).getFirst())
                .startsWith("was blank, now: ")
                .contains("folding");
        assertThat(details(0x0670, "", after.hex()).getFirst()).startsWith("written anew");
    }
}
