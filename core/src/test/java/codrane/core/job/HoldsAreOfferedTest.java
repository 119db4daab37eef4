package codrane.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.HoldPoint;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A hold point that a person keeps and no stage offers is a dead end: the job comes to it, and never past it. */
class HoldsAreOfferedTest {
    private static final String STAGES = stages();

    private static String stages() {
        try (Stream<Path> files = Files.list(Path.of("src/main/java/codrane/core/job/stage"))) {
            return files.map(HoldsAreOfferedTest::read).collect(Collectors.joining());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @EnumSource(HoldPoint.class)
    void point_thatAPersonKeeps_isOfferedByAStage(HoldPoint point) {
        if (point.by() != HoldPoint.By.PERSON || point == HoldPoint.WRITES_RELEASED) return; // released with the run
        assertThat(STAGES).containsPattern("keep\\w*\\([^;]{0,200}HoldPoint\\." + point.name() + "\\b");
    }
}
