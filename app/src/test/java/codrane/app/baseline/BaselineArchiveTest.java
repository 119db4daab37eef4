package codrane.app.baseline;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.TestWorld;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import codrane.core.pack.Pack;
import codrane.link.scan.DeepReader;
import codrane.standin.Conditions;
import codrane.standin.VirtualWorkshop;
import codrane.standin.vehicle.Setup;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** Baselines as files: taken away and in again, and everything that must not be taken in. */
class BaselineArchiveTest {
    private static final Baseline BASELINE = baseline();

    private static Baseline baseline() {
        Pack pack = TestWorld.pack("tolvane-wisp");
        VirtualWorkshop workshop = new VirtualWorkshop(Setup.healthy(pack, Conditions.WISP));
        var reading = new DeepReader(workshop.link(), pack).read(pack.modules().values(), List.of(), done -> {});
        return Baseline.of(pack, Conditions.WISP.text(), Instant.parse("2026-03-01T09:00:00Z"), reading);
    }

    private static byte[] zip(String... namesAndTexts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < namesAndTexts.length; i += 2) {
                zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
                zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    private static String reason(byte[] upload) {
        return ((BaselineArchive.Taken.Bad) BaselineArchive.take(upload)).reason();
    }

    @Test
    void take_ownArchive_isTheSameBaseline() {
        BaselineFile file = ((BaselineArchive.Taken.Good)
                        BaselineArchive.take(BASELINE.json().getBytes(StandardCharsets.UTF_8)))
                .file();
        byte[] archive = BaselineArchive.zip(BASELINE.json(), file);
        assertThat(((BaselineArchive.Taken.Good) BaselineArchive.take(archive)).baseline())
                .isEqualTo(BASELINE);
    }

    @Test
    void take_editedByHand_isRefusedByItsHash() throws IOException {
        String edited = BASELINE.json().replace("\"prewarm\":\"on\"", "\"prewarm\":\"off\"");
        assertThat(edited).isNotEqualTo(BASELINE.json());
        assertThat(reason(zip("baseline.json", edited, "sha256.txt", BASELINE.sha256())))
                .contains("changed by hand", "hash");
        assertThat(reason(zip("baseline.json", edited))).contains("sha256.txt");
        assertThat(reason(BASELINE.json().replace("{", "{ ").getBytes(StandardCharsets.UTF_8)))
                .contains("not as it was written");
    }

    @Test
    void take_bomb_isLeftInItsShell() throws IOException {
        String zeros = "0".repeat(40 << 20);
        byte[] bomb = zip("baseline.json", zeros, "sha256.txt", "x");
        assertThat(bomb.length).isLessThan(100_000);
        assertThat(reason(bomb)).contains("longer than 16 MiB");
        String[] many = new String[40];
        for (int i = 0; i < 40; i += 2) {
            many[i] = "file" + i;
            many[i + 1] = "x";
        }
        assertThat(reason(zip(many))).contains("more than 12 files");
    }

    @Test
    void take_rubbish_isRefusedAndNeverThrows() {
        Random random = new Random(11);
        for (int round = 0; round < 3000; round++) {
            byte[] rubbish = new byte[random.nextInt(200)];
            random.nextBytes(rubbish);
            if (rubbish.length > 2 && round % 2 == 0) {
                rubbish[0] = 'P';
                rubbish[1] = 'K';
            }
            assertThat(BaselineArchive.take(rubbish)).isInstanceOf(BaselineArchive.Taken.Bad.class);
        }
        byte[] archive = BaselineArchive.zip(
                BASELINE.json(),
                ((BaselineArchive.Taken.Good)
                                BaselineArchive.take(BASELINE.json().getBytes(StandardCharsets.UTF_8)))
                        .file());
        for (int round = 0; round < 300; round++) {
            byte[] damaged = archive.clone();
            damaged[random.nextInt(damaged.length)] ^= (byte) (1 << random.nextInt(8));
            assertThat(BaselineArchive.take(damaged)).isNotNull();
        }
    }

    /** A module may tell anything: no cell of a table begins like a formula. */
    @Test
    void zip_textsLikeFormulas_areNoFormulasInTables() throws IOException {
        BaselineFile file = ((BaselineArchive.Taken.Good)
                        BaselineArchive.take(BASELINE.json().getBytes(StandardCharsets.UTF_8)))
                .file();
        BaselineFile.Module told = new BaselineFile.Module(
                "body",
                "answers",
                java.util.Map.of("part", "=1+1", "serial", "@sum(a1)", "hardware", "-2", "software", "+3"),
                List.of(),
                List.of(),
                true,
                List.of(),
                List.of());
        BaselineFile odd = new BaselineFile(
                file.vin(), file.pack(), file.takenAt(), file.key(), List.of(told), List.of(), file.order());
        byte[] archive = BaselineArchive.zip(BASELINE.json(), odd);
        try (java.util.zip.ZipInputStream zip =
                new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String text = new String(zip.readAllBytes(), StandardCharsets.UTF_8);
                if (!entry.getName().endsWith(".csv")) continue;
                for (String line : text.split("\r\n"))
                    for (String cell : line.split(",")) assertThat(cell).doesNotMatch("\"?[=+\\-@].*");
                if (entry.getName().startsWith("identification"))
                    assertThat(text).contains("'=1+1", "'-2");
            }
        }
    }
}
