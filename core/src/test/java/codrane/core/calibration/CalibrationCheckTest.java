package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.CalibrationCheck.Target;
import codrane.core.calibration.CalibrationCheck.Verdict;
import codrane.core.octets.Source;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class CalibrationCheckTest {
    private static final byte[] CONTENT = CalibrationWriter.intelHex(CalibrationWriter.image(0x80000, new byte[500]));
    private static final Manifest MANIFEST = manifest(CONTENT);

    private static Manifest manifest(byte[] content) {
        CalibrationFile file = ((ReadResult.Read) CalibrationFile.read(Source.of(content))).file();
        return new Manifest(
                "LFT-0312",
                "brennick-lorne",
                "tail-lift",
                "Tail lift 3.12",
                List.of("BK-67220-B3"),
                List.of("3.08", "3.10"),
                "3.12",
                content.length,
                file.crc32(),
                file.sha256(),
                "");
    }

    private static Verdict check(String hardware, String software) {
        Target target = new Target("brennick-lorne", "tail-lift", hardware, Optional.ofNullable(software));
        return CalibrationCheck.of(CalibrationFile.read(Source.of(CONTENT)), MANIFEST, target)
                .verdict();
    }

    @Test
    void of_olderSoftwareSameHardware_isAnUpdate() {
        assertThat(check("BK-67220-B3", "3.08")).isEqualTo(Verdict.UPDATE);
    }

    @Test
    void of_bootOnly_isAnUpdate() {
        assertThat(check("BK-67220-B3", null)).isEqualTo(Verdict.UPDATE);
    }

    @Test
    void of_sameVersion_mayBeWrittenAgain() {
        assertThat(check("BK-67220-B3", "3.12")).isEqualTo(Verdict.SAME_VERSION);
    }

    @Test
    void of_newerSoftwareInTheModule_isOlder() {
        assertThat(check("BK-67220-B3", "4.0")).isEqualTo(Verdict.OLDER);
    }

    @Test
    void of_otherHardware_isRefused() {
        assertThat(check("BK-67220-A1", "3.08")).isEqualTo(Verdict.NOT_FOR_THIS_HARDWARE);
    }

    @Test
    void of_softwareThatItDoesNotReplace_isRefused() {
        assertThat(check("BK-67220-B3", "2.9")).isEqualTo(Verdict.NOT_FOR_THIS_SOFTWARE);
    }

    @Test
    void of_otherModule_isRefused() {
        Target body = new Target("brennick-lorne", "body", "BK-67220-B3", Optional.of("3.08"));
        assertThat(CalibrationCheck.of(CalibrationFile.read(Source.of(CONTENT)), MANIFEST, body)
                        .verdict())
                .isEqualTo(Verdict.NOT_FOR_THIS_MODULE);
    }

    @Test
    void of_oneDigitChanged_isDamaged() {
        byte[] damaged = CONTENT.clone();
        damaged[20] = (byte) (damaged[20] == '0' ? '1' : '0');
        Target target = new Target("brennick-lorne", "tail-lift", "BK-67220-B3", Optional.of("3.08"));
        assertThat(CalibrationCheck.of(CalibrationFile.read(Source.of(damaged)), MANIFEST, target)
                        .verdict())
                .isEqualTo(Verdict.FILE_DAMAGED);
        assertThat(CalibrationCheck.of(CalibrationFile.read(Source.of(new byte[3])), MANIFEST, target)
                        .verdict())
                .isEqualTo(Verdict.FILE_DAMAGED);
    }

    @Test
    void of_wholeOtherFile_isDamagedByItsHash() {
        byte[] other = CalibrationWriter.intelHex(CalibrationWriter.image(0x80001, new byte[500]));
        assertThat(other).hasSameSizeAs(CONTENT);
        assertThat(CalibrationCheck.damage(CalibrationFile.read(Source.of(other)), MANIFEST)
                        .orElseThrow()
                        .reasons()
                        .getFirst())
                .contains("SHA-256");
    }
}
