package codrane.core.baseline;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.Undo.Written;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Packs;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class UndoTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final Layout LAMPS = ALMERY.layout("body-lamps");
    private static final String FIELD = "lamp.step.hold";
    private static final String SOFTWARE = "3.31";

    private static Bytes lamps(String hold) {
        Bytes built = ((Layout.Encoded.Block) LAMPS.encode(LAMPS.factory(), Bytes.filled(LAMPS.length(), 0))).octets();
        return ((Layout.Encoded.Block) LAMPS.encode(Map.of(FIELD, hold), built)).octets();
    }

    private static Written wrote(String from, String to) {
        return new Written(
                "body",
                "Coding",
                Optional.of(LAMPS.dataIdentifier()),
                lamps(from).hex(),
                lamps(to).hex(),
                SOFTWARE);
    }

    private static Undo undo(String now, Written... written) {
        return Undo.of(
                ALMERY,
                List.of(written),
                Map.of(
                        "body",
                        new ModuleReading(
                                "body",
                                Presence.ANSWERS,
                                Map.of(Ident.SOFTWARE, Bytes.ascii(SOFTWARE)),
                                Map.of(LAMPS.id(), lamps(now)),
                                List.of(),
                                true)));
    }

    @Test
    void of_settingChangedTwice_isAsItWasBeforeTheFirst() {
        Undo.Setting one = undo("20 s", wrote("5 s", "10 s"), wrote("10 s", "20 s"))
                .settings()
                .getFirst();
        assertThat(one.putBack()).isEqualTo(new PutBack("body", LAMPS.id(), FIELD, "5 s", "20 s"));
        assertThat(one.ours()).isTrue();
    }

    /** Found in the code: an instruction's bits that no setting explains were lost to whoever put everything back. */
    @Test
    void of_bitThatNoSettingExplains_isPutBackByItsPlace() {
        Layout.Change bit = firstLoose();
        Bytes was = lamps("5 s");
        Bytes is = ((Layout.Encoded.Block) LAMPS.encode(Map.of(bit.key(), "1"), was)).octets();
        Written wrote =
                new Written("body", "Coding", Optional.of(LAMPS.dataIdentifier()), was.hex(), is.hex(), SOFTWARE);
        ModuleReading now = new ModuleReading(
                "body",
                Presence.ANSWERS,
                Map.of(Ident.SOFTWARE, Bytes.ascii(SOFTWARE)),
                Map.of(LAMPS.id(), is),
                List.of(),
                true);
        Undo.Setting one =
                Undo.of(ALMERY, List.of(wrote), Map.of("body", now)).settings().getFirst();
        assertThat(one.putBack()).isEqualTo(new PutBack("body", LAMPS.id(), bit.key(), "0", "1"));
        assertThat(one.title()).matches("BOD/\\d\\d byte [1-8], bit [0-7]");
    }

    /** The first bit that nothing explains, as a change. */
    private static Layout.Change firstLoose() {
        Bytes none = LAMPS.check().apply(Bytes.filled(LAMPS.length(), 0));
        Bytes all = LAMPS.check().apply(Bytes.filled(LAMPS.length(), 0xFF));
        return LAMPS.diff(none, all).stream()
                .filter(c -> LooseBit.of(c.key()).isPresent())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void of_settingThatIsBackAlready_isNothing() {
        assertThat(undo("5 s", wrote("5 s", "10 s"), wrote("10 s", "5 s")).settings())
                .isEmpty();
    }

    @Test
    void of_settingThatSomebodyChangedSince_isSaidToBe() {
        assertThat(undo("20 s", wrote("5 s", "10 s")).settings())
                .singleElement()
                .matches(s -> !s.ours() && s.was().equals("5 s"));
    }

    @Test
    void of_whatNoSettingPutsBack_isNamed() {
        Written software = new Written("body", "Software", Optional.empty(), "", "3.2", "");
        Written blank = new Written(
                "body",
                "Coding",
                Optional.of(LAMPS.dataIdentifier()),
                Bytes.filled(LAMPS.length(), 0xFF).hex(),
                lamps("5 s").hex(),
                SOFTWARE);
        assertThat(undo("5 s", software, blank, blank).others())
                .containsExactly("Body: Software.", "Body: " + LAMPS.title() + " was blank before, the part was new.");
    }
}
