package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Packs;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What an instruction says of itself is held against the vehicle before it is used. */
class InstructionNoteTest {
    private static final Pack ALMERY = Packs.load("brennick-almery");
    private static final Vin VIN = new Vin("0BKAM7D2XRN002217");

    private static Optional<String> misfit(Pack pack, String line, String years, String software, String has) {
        var read = (InstructionNote.Read.Note)
                InstructionNote.read(line, new InstructionNote.Typed("longer", "a club", years, software));
        String module = read.note().line().module(pack).map(PackModule::id).orElseThrow();
        return read.note()
                .misfit(
                        pack,
                        VIN,
                        Map.of(
                                module,
                                new ModuleReading(
                                        module,
                                        Presence.ANSWERS,
                                        Map.of(Ident.SOFTWARE, Bytes.ascii(has)),
                                        Map.of(),
                                        List.of(),
                                        true)));
    }

    @Test
    void misfit_sameSoftwareAndYear_isNone() {
        assertThat(misfit(ALMERY, "BOD/03 byte 4: 30 -> 50", "2024", "3.31", "3.31"))
                .isEmpty();
        assertThat(misfit(ALMERY, "BOD/03 byte 4: 30 -> 50", "2020 to 2025", "", "3.31"))
                .isEmpty();
        assertThat(misfit(ALMERY, "BOD/03 byte 4: 30 -> 50", "", "", "3.31")).isEmpty();
    }

    @Test
    void misfit_softwareThatWasNotRead_isNoReason() {
        assertThat(misfit(ALMERY, "BOD/03 byte 4: 30 -> 50", "", "3.31", "")).isEmpty();
    }

    @Test
    void misfit_anotherYear_isSaid() {
        assertThat(misfit(ALMERY, "BOD/03 byte 4: 30 -> 50", "2015 to 2017", "", "3.31"))
                .hasValueSatisfying(s -> assertThat(s).contains("model year 2015 to 2017"));
    }

    /** Another software with the block kept alike is no other case; kept otherwise it is, in every pack that says so. */
    @Test
    void misfit_anotherSoftware_countsWhenItKeepsTheBlockOtherwise() {
        int otherwise = 0;
        for (Pack pack : List.of(ALMERY, Packs.load("ardwyn-gannet"), Packs.load("tolvane-chorus")))
            for (PackModule module : pack.modules().values()) {
                int at = 0;
                for (Layout layout : pack.blocksOf(module)) {
                    String text = "%s/%02d byte %d: 00 -> 01".formatted(module.tag(), at / 8 + 1, at % 8 + 1);
                    at += layout.length();
                    if (at / 8 >= 255) break; // no line is counted there
                    String has = module.software().current();
                    if (pack.versions().getOrDefault(layout.id(), List.of()).isEmpty()) {
                        assertThat(misfit(pack, text, "", "0.1", has)).as(text).isEmpty();
                        continue;
                    }
                    for (String old : module.software().history()) {
                        boolean alike = pack.as(Map.of(module.id(), old))
                                .layout(layout.id())
                                .equals(pack.as(Map.of(module.id(), has)).layout(layout.id()));
                        if (!alike) otherwise++;
                        assertThat(misfit(pack, text, "", old, has).isEmpty())
                                .as(text + " for " + old)
                                .isEqualTo(alike);
                    }
                }
            }
        assertThat(otherwise).isPositive();
    }

    @Test
    void read_yearsThatAreNone_saysHow() {
        assertThat(InstructionNote.read("BOD/03 byte 4: 30 -> 50", new InstructionNote.Typed("", "", "new ones", "")))
                .isEqualTo(new InstructionNote.Read.Wrong("Model years are typed as \"2019\" or \"2019 to 2022\"."));
    }
}
