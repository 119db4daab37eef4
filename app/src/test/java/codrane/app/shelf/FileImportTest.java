package codrane.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.app.TestApp;
import codrane.app.TestWorld;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ManifestSignature;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.ReadResult;
import codrane.core.calibration.Shelved;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.module.CalibrationImage;
import codrane.standin.service.ServiceKeys;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.KeyPair;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that somebody carried in: taken when the maker signed for them, in every form, and not otherwise. */
class FileImportTest {
    private static final Pack LORNE = TestWorld.pack("brennick-lorne");
    private static final PackModule LIFT = LORNE.module("tail-lift");

    private final FileImport imports = TestApp.bean(FileImport.class);
    private final Shelf shelf = TestApp.bean(Shelf.class);

    private static byte[] memory(String version) {
        MemoryImage image = CalibrationImage.of(LIFT, LIFT.parts().family(), version);
        return image.source(image.segments().getFirst()).head((int) image.size());
    }

    private static byte[] inForm(String form, byte[] memory) {
        long start = LIFT.flash().orElseThrow().segment().start();
        MemoryImage image = CalibrationWriter.image(start, memory);
        return switch (form) {
            case "hex" -> CalibrationWriter.intelHex(image);
            case "s19" -> CalibrationWriter.sRecord(image);
            default -> memory;
        };
    }

    private static Manifest manifest(byte[] file, byte[] memory, String version) {
        return new Manifest(
                "LFT-" + version.replace(".", "") + "-CARRIED",
                LORNE.id(),
                LIFT.id(),
                "Tail lift " + version,
                List.of(LIFT.parts().family() + "2"),
                List.of(),
                version,
                file.length,
                Checksums.crc32(Bytes.copyOf(memory)),
                Checksums.sha256(file),
                "");
    }

    private static Manifest signed(Manifest manifest, String service) {
        KeyPair keys = ServiceKeys.of(service);
        return ManifestSignature.sign(manifest, keys.getPrivate());
    }

    private static byte[] json(Manifest manifest) {
        return ManifestStored.write(manifest).getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] zip(Object... namesAndContents) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < namesAndContents.length; i += 2) {
                zip.putNextEntry(new ZipEntry((String) namesAndContents[i]));
                zip.write((byte[]) namesAndContents[i + 1]);
            }
        }
        return out.toByteArray();
    }

    private void refused(byte[] file, byte[] manifest, String why) {
        int before = shelf.newest().size();
        assertThatThrownBy(() -> imports.take(Source.of(file), manifest, "tech"))
                .isInstanceOf(FileImport.NotTakenException.class)
                .hasMessageContaining(why);
        assertThat(shelf.newest()).hasSize(before);
    }

    @ParameterizedTest
    @ValueSource(strings = {"hex", "s19", "bin"})
    void take_signedByTheMaker_isOnTheShelf_withTheSameMemory(String form) {
        String version = "3.1" + (3 + form.length() + form.charAt(0) % 5);
        byte[] memory = memory(version);
        byte[] file = inForm(form, memory);
        Shelved taken =
                imports.take(Source.of(file), json(signed(manifest(file, memory, version), "brennick")), "tech");
        ReadResult kept = shelf.read(taken);
        assertThat(CalibrationCheck.damage(kept, taken.manifest())).isEmpty();
        CalibrationFile read = ((ReadResult.Read) kept).file();
        assertThat(read.crc32()).isEqualTo(Checksums.crc32(Bytes.copyOf(memory)));
        assertThat(shelf.newest()).extracting(Shelved::id).contains(taken.id());
    }

    @Test
    void take_aZipOfBoth_isTheSame_andOnce() throws IOException {
        byte[] memory = memory("3.21");
        byte[] file = inForm("hex", memory);
        byte[] manifest = json(signed(manifest(file, memory, "3.21"), "brennick"));
        Shelved beside = imports.take(Source.of(file), manifest, "tech");
        assertThat(imports.take(Source.of(zip("a.hex", file, "a.json", manifest)), new byte[0], "tech")
                        .id())
                .isEqualTo(beside.id());
        byte[] inAFolder = zip("a/", new byte[0], "a/a.hex", file, "a/a.json", manifest);
        assertThat(imports.take(Source.of(inAFolder), new byte[0], "tech").id()).isEqualTo(beside.id());
    }

    @Test
    void take_whatNobodySigned_orSomebodyElse_orWasChanged_isNot() throws IOException {
        byte[] memory = memory("3.22");
        byte[] file = inForm("hex", memory);
        Manifest plain = manifest(file, memory, "3.22");
        byte[] good = json(signed(plain, "brennick"));
        refused(file, new byte[0], "manifest (JSON) is not beside it");
        refused(file, json(plain), "is not signed");
        refused(file, json(signed(plain, "tolvane")), "is not that of Brennick's service");
        refused(
                file,
                new String(good, StandardCharsets.UTF_8).replace("3.22", "3.23").getBytes(StandardCharsets.UTF_8),
                "is not that of Brennick's");
        refused(file, "{\"id\":".getBytes(StandardCharsets.UTF_8), "no manifest that can be read");
        refused(file, "{}".getBytes(StandardCharsets.UTF_8), "no manifest: id (expected a text)");
        refused(
                file,
                new String(good, StandardCharsets.UTF_8)
                        .replace("\"Tail lift 3.22\"", "null")
                        .getBytes(StandardCharsets.UTF_8),
                "no manifest: title (expected a text)");
        refused(zip("a.json", good, "b.json", good, "a.hex", file), new byte[0], "More than one manifest came");
        byte[] bent = file.clone();
        bent[200] ^= 1;
        refused(bent, good, "Not taken.");
        refused(memory, good, "Not taken.");
        refused(zip("a.json", good), new byte[0], "holds no file beside the manifest");
        byte[] whole = zip("a.hex", file, "a.json", good);
        refused(Arrays.copyOf(whole, whole.length / 2), new byte[0], "zip can't be read");
        refused(zip("a.hex", file, "b.hex", file, "a.json", good), new byte[0], "More than one file came");
        refused(file, json(signed(elsewhere(plain, "no-such-pack", "tail-lift"), "brennick")), "pack is not here");
        refused(file, json(signed(elsewhere(plain, LORNE.id(), "no-such"), "brennick")), "is no module of the");
    }

    @Test
    void copied_moreThanIsTaken_endsThere() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThatThrownBy(() -> FileImport.copied(new ByteArrayInputStream(new byte[(2 << 20) + 1]), out, 2 << 20))
                .hasMessageContaining("more than 2 MB");
        assertThat(out.size()).isLessThanOrEqualTo(2 << 20);
    }

    private static Manifest elsewhere(Manifest m, String pack, String module) {
        return new Manifest(
                m.id(),
                pack,
                module,
                m.title(),
                m.hardware(),
                m.softwareBefore(),
                m.softwareAfter(),
                m.size(),
                m.crc32(),
                m.sha256(),
                "");
    }
}
