package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Layout;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Vehicles have as many settings as real ones, and the packs say what the words say. */
class SettingsOfThisWorldTest {
    private static final Path PACKS = Path.of("../packs");

    static List<String> packs() {
        return Packs.all();
    }

    /** With {@code -Dcodrane.packs.write=true} the packs are made again instead. */
    @ParameterizedTest
    @MethodSource("packs")
    void packs_haveTheBlocksThatTheirWordsMake(String id) throws IOException {
        Path file = PACKS.resolve(id + ".yaml");
        String text = Files.readString(file);
        String grown = equipment().grown(settings().grown(id, text));
        if (Boolean.getBoolean("codrane.packs.write")) Files.writeString(file, grown);
        else assertThat(grown).isEqualTo(text);
    }

    private static SettingsOfThisWorld settings() throws IOException {
        return SettingsOfThisWorld.of(words("settings"));
    }

    private static EquipmentOfThisWorld equipment() throws IOException {
        return EquipmentOfThisWorld.of(words("options"), words("features"));
    }

    private static String words(String name) throws IOException {
        return Files.readString(PACKS.resolve("vocabulary/" + name + ".yaml"));
    }

    @ParameterizedTest
    @MethodSource("packs")
    void order_hasSixtyCodesAndMore_ofWhichAVehicleAsBuiltHasNoTwoThatExcludeEachOther(String id) {
        Packs.load(id).equipment().order().ifPresent(order -> {
            assertThat(order.titles()).hasSizeGreaterThanOrEqualTo(60);
            assertThat(order.factory()).doesNotHaveDuplicates();
            for (Equipment.Family family : order.families().values())
                assertThat(family.inEachOthersWay(order.factory())).isEmpty();
        });
    }

    @ParameterizedTest
    @MethodSource("packs")
    void equipment_isTwentyFiveAndMore_withNeedsExclusionsAndWhatTheCustomerIsTold(String id) {
        List<Feature> features = Packs.load(id).equipment().features();
        assertThat(features).hasSizeGreaterThanOrEqualTo(25);
        assertThat(features)
                .anyMatch(f -> !f.needs().isEmpty())
                .anyMatch(f -> !f.excludes().isEmpty());
        assertThat(features)
                .filteredOn(f -> !f.off().isEmpty())
                .allMatch(f -> f.off().keySet().equals(f.on().keySet()))
                .allMatch(f -> f.on().entrySet().stream()
                        .noneMatch(on -> on.getValue().equals(f.off().get(on.getKey()))));
    }

    @ParameterizedTest
    @MethodSource("packs")
    void vehicle_hasHundredsOfSettings_andItsBodyMoreThanAHundredAndFifty(String id) {
        Pack pack = Packs.load(id);
        assertThat(pack.layouts().values().stream()
                        .mapToInt(l -> l.fields().size())
                        .sum())
                .isGreaterThanOrEqualTo(600);
        assertThat(pack.blocksOf(pack.module("body")).stream()
                        .mapToInt(l -> l.fields().size())
                        .sum())
                .isGreaterThanOrEqualTo(150);
        assertThat(pack.layouts().values())
                .extracting(Layout::length)
                .allMatch(length -> length <= 250)
                .anyMatch(length -> length > 200);
    }

    @ParameterizedTest
    @MethodSource("packs")
    void titles_areWordsThatStandOnceInTheirModule(String id) {
        Pack pack = Packs.load(id);
        for (PackModule module : pack.modules().values()) {
            List<String> titles = pack.blocksOf(module).stream()
                    .flatMap(l -> l.fields().stream())
                    .filter(f -> f.title().contains(": "))
                    .map(f -> f.title())
                    .toList();
            assertThat(titles).doesNotHaveDuplicates().noneMatch(t -> t.matches(".*\\d.*"));
        }
    }

    @Test
    void made_twice_isTheSame() throws IOException {
        SettingsOfThisWorld world = settings();
        String once = world.grown("tolvane-wisp", Files.readString(PACKS.resolve("tolvane-wisp.yaml")));
        assertThat(world.grown("tolvane-wisp", once)).isEqualTo(once);
        assertThat(world.grown("another", once)).isNotEqualTo(once);
    }

    @Test
    void equipment_thatShowsItselfAtTheStart_saysSoToTheCustomer() {
        for (String id : Packs.all())
            assertThat(Packs.load(id).equipment().features())
                    .as(id)
                    .filteredOn(f -> f.id().equals("gauges-sweep"))
                    .allSatisfy(f -> assertThat(f.card().starts()).startsWith("Key on: "));
    }
}
