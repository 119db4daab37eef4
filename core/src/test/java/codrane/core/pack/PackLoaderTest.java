package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.vin.Vin;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PackLoaderTest {
    private static List<PackProblem> problems(String yaml) {
        return PackLoader.load("x.yaml", yaml) instanceof PackResult.Invalid invalid ? invalid.problems() : List.of();
    }

    @Test
    void load_shippedPacks_areValid() {
        Pack lorne = Packs.lorne();
        assertThat(lorne.modules()).hasSizeGreaterThanOrEqualTo(10);
        assertThat(lorne.modelOf(new Vin("0BKLR3A46MN004127"))).contains("Lorne");
        assertThat(lorne.modelOf(new Vin("0TVWP2E67TN002240"))).isEmpty();
        assertThat(lorne.module("tail-lift").flash().orElseThrow().resume()).isEqualTo(PackModule.Resume.FROM_ADDRESS);
        assertThat(((PackLink.Can) lorne.link()).requestId(0x67)).isEqualTo(0x4CE);
        for (String id : Packs.all()) {
            assertThat(Packs.load(id).id()).isEqualTo(id);
            assertThat(Packs.load(id).modules()).as(id).hasSizeBetween(10, 24);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "octets: 10, without: [pump.seconds]|octets: 10, without: [pump.seconds], shift: { from: 24, by: 48 }|octets are too few",
                "octets: 10, without: [pump.seconds]|octets: 10, without: [pump]|without names no setting: pump",
                "octets: 10, without: [pump.seconds]|octets: 10, moved: { load.most: 16 }|stands where something else stands",
                "octets: 10, without: [pump.seconds]|octets: 10, moved: { load: 16 }|moved names no setting: load",
                "software: \"3.00\"|software: \"3.20\"|(expected an older one than 3.10)",
                "software: \"3.00\"|software: newest|(expected a software version, like 3.08)",
                "covers: { start: 0, length: 9 }, at: 9|covers: { start: 0, length: 10 }, at: 10|(expected 0..9)",
                "with people: \"60\"|with people: \"200\"|with people is 200, which is out of its limits",
                "with people: \"60\"|with people: slow|with people is slow, which the field can't hold",
                "presets: { with people|presets: { with people: \"50\" }, other-side: { field: bell, apart: 1 }, presetz: { with people|expected another field of this block",
                "wmi: 0BK|wmi: OBKX|wmi must be three VIN characters",
                "address: 0x1B|address: 0x1A|modules.gearbox.address is also the address of engine",
                "address: 0x1B|address: 0x1FF|expected 0..255",
                "address: 0x1B|address: soon|expected a number",
                "tag: GBX|tag: gbx|modules.gearbox.tag must be three capital letters",
                "bitrate: 500000|bitrate: 5|link.bitrate is 5",
                "check-digit: true|check-digit: yes|expected true or false",
                "resume: from-address|resume: maybe|expected one of from-address, from-erase",
                "version: 3|version: 3\\nversion: 4|version is there twice",
                "title: Brennick Lorne|titel: Brennick Lorne|title is missing",
                "title: Brennick Lorne|title: Brennick Lorne\\ncolour: red|colour is not known here",
                "blocks: [doors-main, doors-ways]|blocks: [door-main]|names the layout door-main, which is not there",
                "reference: body|reference: boddy|names the module boddy, which is not there",
                "at: 48, bits: 48|at: 192, bits: 48|ends past the block",
                "when: coding-blank, block: lift-main|when: coding-green, block: lift-main|expected one of vin-foreign",
                "when: coding-blank, block: lift-main|when: coding-blank, block: body-main|is not a block of tail-lift",
                "fitted: BK-41210-B3|fitted: BK-99999-B3|modules.engine.parts.fitted does not match the pattern",
                "code: B1A04-54|code: B1A04|expected a form like B1A04-54",
                "kind: crc16-ccitt-false|kind: crc17|expected one of none, sum8",
                "holders: [body, instruments]|holders: [body, boot]|names the module boot, which is not there",
                "factory: [MKT1, USE3, LFT1]|factory: [MKT9]|has MKT9, which is no code",
                "needs: [key-on, gear-park]|needs: [key-up]|names key-up, which is no condition",
                "block-bytes: 1026|block-bytes: 5000|block-bytes is 5000 (expected 3..4095)",
                "effect: actuate|effect: dance|expected one of relearn, calibrate, actuate",
                "calibrations: [BK41377-207]|calibrations: [clutch]|must be names of 1 to 16 capital letters",
                "master: key-reader|master: keys|names the module keys, which is not there",
                "when: not-learned|when: sleepy|expected one of vin-foreign",
                "base: 0x400|base: 0x700|gives identifiers that are too long for 11 bits",
                "bits: 16, factor: 0.1, goes|bits: 24, factor: 0.1, goes|expected 8, 16 or 32"
            })
    void load_oneMistake_isNamedWithItsLine(String from, String to, String reason) {
        String good = Packs.text("brennick-lorne");
        String source = from.contains("bits: 48") ? "at: 0, bits: 48" : from;
        int at = good.indexOf(source);
        assertThat(at).as("the pack holds " + source).isNotNegative();
        String bad = good.substring(0, at) + to.replace("\\n", "\n") + good.substring(at + source.length());
        long line = bad.substring(0, at).lines().count();
        List<PackProblem> problems = problems(bad);
        assertThat(problems).anySatisfy(p -> {
            assertThat(p.reason()).contains(reason);
            assertThat(p.file()).isEqualTo("x.yaml");
            if (!reason.contains("missing")) assertThat((long) p.line()).isBetween(line - 1, line + 2);
        });
    }

    @Test
    void load_notYaml_namesTheLine() {
        assertThat(problems("pack: x\n  bad: [1, 2\n")).singleElement().satisfies(p -> {
            assertThat(p.line()).isGreaterThan(1);
            assertThat(p.reason()).startsWith("not readable as YAML");
        });
        assertThat(problems("")).hasSize(1);
        assertThat(problems("- a\n- b\n")).isNotEmpty();
    }

    @Test
    void load_everyOneLineCutOut_isValidOrNamesProblems() {
        List<String> lines = Packs.text("tolvane-wisp").lines().toList();
        int made = lines.indexOf("    title: Lamps in the cabin"); // from there on one line is like another
        for (int cut = 0; cut < lines.size(); cut += cut < made ? 1 : 23) {
            List<String> rest = new java.util.ArrayList<>(lines);
            rest.remove(cut);
            assertThat(PackLoader.load("x.yaml", String.join("\n", rest))).isNotNull();
        }
    }

    @Test
    void load_randomDamage_neverThrows() {
        Random random = new Random(17);
        String good = Packs.text("tolvane-wisp");
        for (int round = 0; round < 200; round++) {
            StringBuilder bad = new StringBuilder(good);
            for (int i = 0; i < 3; i++)
                bad.setCharAt(random.nextInt(bad.length()), "{}[]:&*-\n a0\"".charAt(random.nextInt(13)));
            assertThat(PackLoader.load("x.yaml", bad.toString())).isNotNull();
        }
    }
}
