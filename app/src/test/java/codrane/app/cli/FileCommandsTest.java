package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ManifestSignature;
import codrane.core.calibration.ReadResult;
import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
import codrane.standin.service.ServiceKeys;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.ObjectMapper;

/** {@code file convert} and {@code file check}. */
class FileCommandsTest {
    /** Three octets at 0030, two at 0040: a gap of thirteen. */
    private static final String GAPPED = ":0300300002337A1E\n:02004000AABB59\n:00000001FF\n";

    private static final int START = 0x00080000;
    private static final int LENGTH = 0x00100000;

    @TempDir
    Path folder;

    private final Commanded command = new Commanded();

    private String path(String name) {
        return folder.resolve(name).toString();
    }

    private String info(String name) {
        assertThat(command.run("file", "info", path(name), "--json")).isZero();
        return command.json().path("segments") + " "
                + command.json().path("crc32").asString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"b.hex", "b.ihex", "b.s19", "b.s28", "b.s37", "b.srec", "b.mot", "B.HEX"})
    void convert_thereAndBack_isTheSameDataAtTheSameAddresses(String name) throws IOException {
        Files.writeString(folder.resolve("a.hex"), GAPPED);
        String before = info("a.hex");
        assertThat(command.run("file", "convert", path("a.hex"), path(name), "--json"))
                .isZero();
        assertThat(command.json().path("schema").asString()).isEqualTo("codrane.file-convert/1");
        assertThat(command.json().path("bytes").asInt()).isEqualTo(5);
        assertThat(info(name)).isEqualTo(before);
        assertThat(command.run("file", "convert", path(name), path("c.hex"))).isZero();
        assertThat(info("c.hex")).isEqualTo(before);
    }

    @Test
    void convert_random_throughEveryFormat_isIdentity() throws IOException {
        byte[] data = new byte[70_000]; // over a page of 64 KB
        new Random(12).nextBytes(data);
        Files.write(folder.resolve("a.hex"), CalibrationWriter.intelHex(CalibrationWriter.image(0x1FFF0, data)));
        String before = info("a.hex");
        assertThat(command.run("file", "convert", path("a.hex"), path("b.s28"))).isZero();
        assertThat(command.run("file", "convert", path("b.s28"), path("c.s37"))).isZero();
        assertThat(command.run("file", "convert", path("c.s37"), path("d.hex"))).isZero();
        assertThat(info("d.hex")).isEqualTo(before);
        assertThat(command.run("file", "convert", path("d.hex"), path("e.bin"))).isZero();
        assertThat(Files.readAllBytes(folder.resolve("e.bin"))).isEqualTo(data);
    }

    @Test
    void convert_toBinary_needsAFillForGaps() throws IOException {
        Files.writeString(folder.resolve("a.hex"), GAPPED);
        assertThat(command.run("file", "convert", path("a.hex"), path("b.bin"), "--json"))
                .isEqualTo(1);
        assertThat(command.json().path("class").asString()).isEqualTo("refused");
        assertThat(command.json().path("message").asString()).contains("00000033 to 0000003F");
        assertThat(folder.resolve("b.bin")).doesNotExist();
        assertThat(command.run("file", "convert", path("a.hex"), path("b.bin"), "--fill", "FF", "--json"))
                .isZero();
        assertThat(command.json().path("filled").asInt()).isEqualTo(13);
        byte[] binary = Files.readAllBytes(folder.resolve("b.bin"));
        assertThat(binary).hasSize(18).startsWith(0x02, 0x33, 0x7A, 0xFF).endsWith(0xFF, 0xAA, 0xBB);
        assertThat(command.run("file", "convert", path("a.hex"), path("b.hex"), "--fill", "0x00"))
                .isZero();
        assertThat(info("b.hex")).startsWith("[{\"start\":48,\"length\":18}]");
    }

    @Test
    void convert_addressesThatTheFormatCannotHold_areRefused() throws IOException {
        Files.write(folder.resolve("a.hex"), CalibrationWriter.intelHex(CalibrationWriter.image(0xFFFF, new byte[2])));
        assertThat(command.run("file", "convert", path("a.hex"), path("b.s19"))).isEqualTo(1);
        assertThat(command.err()).contains("00010000", "0000FFFF");
        assertThat(command.run("file", "convert", path("a.hex"), path("b.s28"))).isZero();
    }

    @ParameterizedTest
    @CsvSource({"b.txt, FF", "b, FF", "hex, FF", "b.hex, F", "b.hex, GG", "b.hex, 100", "a.hex, FF"})
    void convert_badInput_isSaidAndWritesNothing(String to, String fill) throws IOException {
        Files.writeString(folder.resolve("a.hex"), GAPPED);
        assertThat(command.run("file", "convert", path("a.hex"), path(to), "--fill", fill))
                .isEqualTo(2);
        assertThat(command.err()).doesNotContain("Exception");
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactly(folder.resolve("a.hex"));
        }
        assertThat(Files.readString(folder.resolve("a.hex"))).isEqualTo(GAPPED);
    }

    @Test
    void convert_damagedFile_leavesWhatWasThere() throws IOException {
        Files.writeString(folder.resolve("a.hex"), GAPPED.replace("1E", "1F"));
        Files.writeString(folder.resolve("b.s19"), "as it was");
        assertThat(command.run("file", "convert", path("a.hex"), path("b.s19"), "--json"))
                .isEqualTo(1);
        assertThat(command.json().path("class").asString()).isEqualTo("damaged");
        assertThat(command.json().path("line").asInt()).isEqualTo(1);
        assertThat(Files.readString(folder.resolve("b.s19"))).isEqualTo("as it was");
    }

    @Test
    void convert_hugeGap_isNotFilled() throws IOException {
        Files.writeString(folder.resolve("a.hex"), ":0100000000FF\n:02000004FFFFFC\n:0100000000FF\n:00000001FF\n");
        assertThat(command.run("file", "convert", path("a.hex"), path("b.bin"), "--fill", "00"))
                .isEqualTo(1);
        assertThat(command.err()).contains("4294901761 octets");
    }

    /** The tail lift's memory, its texts where the pack says they are. */
    private void lift(String name, String version, String hardware) throws IOException {
        byte[] data = new byte[LENGTH];
        put(data, 0x10, 8, version);
        put(data, 0x20, 16, hardware);
        Files.write(folder.resolve(name), CalibrationWriter.intelHex(CalibrationWriter.image(START, data)));
    }

    private static void put(byte[] data, int at, int length, String text) {
        byte[] padded = (text + " ".repeat(length - text.length())).getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(padded, 0, data, at, length);
    }

    private String verdict(String name, String hardware, String software) {
        command.run(
                "file",
                "check",
                path(name),
                "--pack",
                "brennick-lorne",
                "--module",
                "tail-lift",
                "--hardware",
                hardware,
                "--software",
                software,
                "--json");
        return command.json().path("verdict").asString() + " "
                + command.json().path("usable").asBoolean();
    }

    @ParameterizedTest
    @CsvSource({
        "BK-67220-B3, 3.08, update true",
        "BK-67220-B3, '', update true",
        "BK-67220-B3, 3.12, same-version true",
        "BK-67220-B3, 3.14, older false",
        "BK-67220-Z1, 3.08, not-for-this-hardware false",
    })
    void check_withoutManifest_judgesByTheFilesOwnTexts(String hardware, String software, String verdict)
            throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        assertThat(verdict("lift.hex", hardware, software)).isEqualTo(verdict);
        assertThat(command.json().has("manifest")).isFalse();
        assertThat(command.json().path("reasons")).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "brennick, update true, service signed its manifest",
        "tolvane, signature-unknown false, is not that of Brennick's service",
        "'', update true, is not signed"
    })
    void check_signatureOfTheManifest_isTheMakers_orSaid(String service, String verdict, String reason)
            throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        byte[] file = Files.readAllBytes(folder.resolve("lift.hex"));
        CalibrationFile read = ((ReadResult.Read) CalibrationFile.read(Source.of(file))).file();
        Manifest plain = new Manifest(
                "LFT-312-B",
                "brennick-lorne",
                "tail-lift",
                "Tail lift 3.12",
                List.of("BK-67220-B3"),
                List.of(),
                "3.12",
                file.length,
                read.crc32(),
                read.sha256(),
                "");
        Manifest signed = service.isEmpty()
                ? plain
                : ManifestSignature.sign(plain, ServiceKeys.of(service).getPrivate());
        Files.write(folder.resolve("lift.json"), new ObjectMapper().writeValueAsBytes(signed));
        assertThat(verdict("lift.hex", "BK-67220-B3", "3.09")).isEqualTo(verdict);
        assertThat(command.json().path("reasons").toString()).contains(reason);
    }

    @Test
    void check_otherMemoryOrDamage_isSaid() throws IOException {
        Files.writeString(folder.resolve("a.hex"), GAPPED);
        assertThat(verdict("a.hex", "BK-67220-B3", "3.08")).isEqualTo("not-for-this-module false");
        Files.writeString(folder.resolve("b.hex"), GAPPED.replace("1E", "1F"));
        assertThat(verdict("b.hex", "BK-67220-B3", "3.08")).isEqualTo("file-damaged false");
    }

    @Test
    void check_fileThatTellsNoVersion_isForNoModule_andSaysNothingUnprintable() throws IOException {
        Files.write(
                folder.resolve("empty.hex"),
                CalibrationWriter.intelHex(CalibrationWriter.image(START, new byte[LENGTH])));
        assertThat(verdict("empty.hex", "BK-67220-B3", "3.08")).isEqualTo("not-for-this-module false");
        assertThat(command.out()).contains("no software version").doesNotContain("\\u0000");
        lift("lift.hex", "3.12", "");
        assertThat(verdict("lift.hex", "BK-67220-B3", "3.08")).isEqualTo("not-for-this-hardware false");
        assertThat(command.out()).contains("it is for none");
    }

    @Test
    void check_withManifest_thatDecides() throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        byte[] content = Files.readAllBytes(folder.resolve("lift.hex"));
        assertThat(command.run("file", "info", path("lift.hex"), "--json")).isZero();
        String crc = command.json().path("crc32").asString();
        String manifest = "{'id':'LFT','pack':'brennick-lorne','module':'tail-lift','title':'Tail lift','hardware':"
                + "['BK-67220-B3'],'softwareBefore':['3.08'],'softwareAfter':'3.12','size':" + content.length
                + ",'crc32':'" + crc + "','sha256':'" + Checksums.sha256(content) + "'}";
        Files.writeString(folder.resolve("lift.json"), manifest.replace('\'', '"'));
        assertThat(verdict("lift.hex", "BK-67220-B3", "3.08")).isEqualTo("update true");
        assertThat(command.json().path("manifest").asString()).endsWith("lift.json");
        assertThat(verdict("lift.hex", "BK-67220-B2", "3.08")).isEqualTo("not-for-this-hardware false");
        assertThat(verdict("lift.hex", "BK-67220-B3", "3.02")).isEqualTo("not-for-this-software false");
        Files.writeString(
                folder.resolve("lift.json"), manifest.replace(crc, "00000000").replace('\'', '"'));
        assertThat(verdict("lift.hex", "BK-67220-B3", "3.08")).isEqualTo("file-damaged false");
        Files.writeString(folder.resolve("lift.json"), "{}");
        assertThat(command.run(
                        "file",
                        "check",
                        path("lift.hex"),
                        "--pack",
                        "brennick-lorne",
                        "--module",
                        "tail-lift",
                        "--hardware",
                        "B3",
                        "--software",
                        "1"))
                .isEqualTo(2);
        assertThat(command.err()).contains("id (expected a text)");
    }

    @Test
    void check_unknownModule_isUsage() throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        for (String module : List.of("nothing", "doors"))
            assertThat(command.run(
                            "file",
                            "check",
                            path("lift.hex"),
                            "--pack",
                            "brennick-lorne",
                            "--module",
                            module,
                            "--hardware",
                            "B3",
                            "--software",
                            "1"))
                    .isEqualTo(2);
    }

    private int simulate(String file, String... more) {
        List<String> args = new java.util.ArrayList<>(List.of(
                "run",
                "simulate",
                "--pack",
                "brennick-lorne",
                "--operation",
                "program",
                "--module",
                "tail-lift",
                "--file",
                path(file),
                "--json"));
        args.addAll(List.of(more));
        return command.run(args);
    }

    @Test
    void simulate_fileThatFits_isProgrammed_orEndsInANamedState() throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        assertThat(simulate("lift.hex")).as(command.err()).isZero();
        assertThat(command.json().path("schema").asString()).isEqualTo("codrane.run-simulate/1");
        assertThat(command.json().path("outcome").asString()).isEqualTo("done");
        assertThat(command.json().path("moduleState").asString()).isEqualTo("runs");
        assertThat(command.json().path("seconds").asDouble()).isPositive();
        assertThat(simulate("lift.hex", "--fault", "power-loss:module=tail-lift,block=9"))
                .isEqualTo(1);
        assertThat(command.json().path("outcome").asString()).isEqualTo("interrupted");
        assertThat(command.json().path("moduleState").asString()).isEqualTo("boot-only");
        assertThat(command.json().path("nextAct").asString()).contains("recover");
    }

    @Test
    void simulate_fileThatDoesNotFit_isRefusedBeforeAnythingIsSent() throws IOException {
        lift("other.hex", "3.12", "BK-67220-Z");
        assertThat(simulate("other.hex")).isEqualTo(1);
        assertThat(command.json().path("outcome").asString()).isEqualTo("refused");
        assertThat(command.json().path("moduleState").asString()).isEqualTo("runs");
        assertThat(command.json().path("seconds").asDouble()).isZero();
        Files.writeString(folder.resolve("bad.hex"), GAPPED.replace("1E", "1F"));
        assertThat(simulate("bad.hex")).isEqualTo(1);
        assertThat(command.json().path("sentence").asString()).contains("damaged");
    }

    @ParameterizedTest
    @ValueSource(strings = {"heat", "power-loss:module=nothing", "rain", "drop:count=x"})
    void simulate_faultThatCannotBe_isUsage(String fault) throws IOException {
        lift("lift.hex", "3.12", "BK-67220-B");
        assertThat(simulate("lift.hex", "--fault", fault)).isEqualTo(2);
    }
}
