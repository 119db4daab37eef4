package codrane.app.stage.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import codrane.app.stage.run.RunPiece.Lane;
import codrane.app.stage.run.RunPiece.Part;
import codrane.app.stage.run.RunPiece.Tasks;
import codrane.core.run.StepTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class RunScoreTest {
    private static final Instant T0 = Instant.parse("2026-03-02T08:00:00Z");

    private static List<RunPiece> module(int task, double transfer) {
        String title = "Program module " + task;
        Tasks tasks = new Tasks(task, 1);
        return List.of(
                new RunPiece(Lane.LINK, "Unlock", title, 2, tasks, Part.READS),
                new RunPiece(Lane.VEHICLE, "Erase", title, 10, tasks, Part.ERASE),
                new RunPiece(Lane.LINK, "400 blocks", title, transfer, tasks, Part.TRANSFER),
                new RunPiece(Lane.VEHICLE, "Verify", title, 5, tasks, Part.VERIFY),
                new RunPiece(Lane.VEHICLE, "Restart", title, 3, tasks, Part.WAKES));
    }

    private static RunPieces pieces(int modules) {
        List<RunPiece> all = new ArrayList<>();
        for (int i = 0; i < modules; i++) all.addAll(module(i, 60 + i));
        return new RunPieces(all, Map.of());
    }

    private static StepTime step(int task, String purpose, int from, int to) {
        return new StepTime(1, task, purpose, T0.plusSeconds(from), Optional.of(T0.plusSeconds(to)));
    }

    private static List<StepTime> steps() {
        return List.of(
                step(0, "Open the session", 0, 1),
                step(0, "Erase", 1, 21),
                step(0, "Ask for a download", 21, 22),
                step(0, "Send 400 blocks", 22, 120),
                step(0, "End the transfer", 120, 121),
                step(0, "Let the module check itself", 121, 126),
                step(0, "Read its software number", 129, 130));
    }

    @Test
    void score_ofFortyModules_staysWithinItsPictureAndToScale() {
        RunScore score = RunScore.of(pieces(40), RunCourse.NONE);
        assertThat(score.boxes()).hasSize(200).allSatisfy(b -> {
            assertThat(b.x()).isBetween(100.0, 990.0);
            assertThat(b.width()).isPositive();
            assertThat(b.x() + b.width()).isLessThanOrEqualTo(993);
            if (!b.label().isEmpty()) assertThat(b.label().length() * 7.2).isLessThan(b.width());
            assertThat(b.name()).contains("Program module");
        });
        RunScore.Box first = score.boxes().get(2);
        RunScore.Box last = score.boxes().get(197);
        assertThat((last.width() + 1) / (first.width() + 1)).isCloseTo(99.0 / 60, within(0.01));
        assertThat(score.stretches())
                .hasSize(40)
                .extracting(RunScore.Stretch::label)
                .containsOnlyOnce("can pause, can’t stop, until verified");
        assertThat(score.rows()).hasSize(40);
        assertThat(score.ticks()).hasSizeBetween(3, 8);
        assertThat(score.summary()).contains("Longest: Program module 39, 1 min 59 s");
    }

    @Test
    void course_isDrawnToTheScaleOfWhatWasExpected() {
        RunPieces pieces = pieces(1);
        RunCourse course = RunCourse.of(pieces, steps(), T0.plusSeconds(500));
        assertThat(course.spans())
                .extracting(s -> s.piece().label())
                .containsExactly("Unlock", "Erase", "400 blocks", "Verify", "Restart");
        assertThat(course.seconds()).isEqualTo(130);
        RunScore score = RunScore.of(pieces, course);
        assertThat(score.bars().get(1).width()).isCloseTo(890 * 20 / 130.0, within(0.01));
        assertThat(score.boxes().get(1).width()).isCloseTo(890 * 10 / 130.0 - 1, within(0.01));
        assertThat(score.rows()).singleElement().satisfies(row -> {
            assertThat(row.planned()).isEqualTo("1 min 20 s");
            assertThat(row.took()).isEqualTo("2 min 7 s");
        });
    }

    /** The first step on the wire lies where it was expected. */
    @Test
    void course_beginsAfterWhatIsDoneBeforeTheWire() {
        List<RunPiece> all = new ArrayList<>();
        all.add(new RunPiece(Lane.TECHNICIAN, "Key on", "", 3, Tasks.NONE, Part.READS));
        all.addAll(module(0, 60));
        RunCourse course = RunCourse.of(new RunPieces(all, Map.of()), steps(), T0.plusSeconds(500));
        assertThat(course.spans().getFirst().from()).isEqualTo(3);
        assertThat(course.seconds()).isEqualTo(133);
    }

    /** An hour between two people is not an hour of work. */
    @Test
    void course_thatWasInterrupted_isDrawnWithAShortWait() {
        List<StepTime> all = new ArrayList<>(steps().subList(0, 3));
        all.add(new StepTime(1, 0, "Send 400 blocks", T0.plusSeconds(22), Optional.empty()));
        all.add(step(0, "Ask for a download", 3700, 3701));
        all.add(new StepTime(1, 0, "Send 200 blocks", T0.plusSeconds(3701), Optional.empty()));
        RunCourse course = RunCourse.of(pieces(1), all, T0.plusSeconds(3710));
        assertThat(course.seconds()).isEqualTo(22 + 20 + 1 + 9);
        assertThat(course.took("Program module 0")).contains(1L + 20 + 1 + 10);
        assertThat(RunCourse.of(pieces(1), List.of(), T0)).isEqualTo(RunCourse.NONE);
    }

    @Test
    void summary_saysByWhatItIsExpected() {
        assertThat(pieces(1).summary()).isEqualTo("About 1 min 20 s.");
        assertThat(new RunPieces(module(0, 60), Map.of("engine", List.of())).summary())
                .contains("counted by the pack: nothing like it was programmed here yet.");
    }
}
