package codrane.core.baseline;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.Undo.Written;
import codrane.core.coding.Layout;
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
