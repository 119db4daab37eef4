package codrane.app.stage.run;

import codrane.core.run.ProgrammingTimes;
import codrane.core.run.StepTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How a run went: which piece was at work from when to when, in seconds from its start. Long waits between, as after an
 * interruption, are drawn shorter than they were.
 */
record RunCourse(List<Span> spans) {
    private static final double LONGEST_WAIT = 20;

    /** A piece at work without a break. */
    record Span(RunPiece piece, double from, double to) {}

    static final RunCourse NONE = new RunCourse(List.of());

    /** @param until the end of the run, or now: till then what has no answer was at work */
    static RunCourse of(RunPieces pieces, List<StepTime> steps, Instant until) {
        List<Span> spans = new ArrayList<>();
        if (steps.isEmpty()) return NONE;
        Instant last = steps.getFirst().at();
        double at = pieces.lead(); // what comes before the wire is not measured
        boolean verified = false;
        int task = -1;
        for (StepTime step : steps) {
            verified = step.task() == task && (verified || verifies(step));
            task = step.task();
            double waited = seconds(last, step.at());
            Optional<RunPiece> piece = of(pieces, step, verified);
            boolean goesOn = !spans.isEmpty()
                    && waited <= LONGEST_WAIT
                    && piece.filter(p -> p.equals(spans.getLast().piece())).isPresent();
            double from = at + Math.clamp(waited, 0, LONGEST_WAIT);
            Instant end = step.closed().orElse(step.equals(steps.getLast()) ? until : step.at());
            at = from + seconds(step.at(), end);
            last = end;
            if (piece.isEmpty()) continue;
            if (goesOn)
                spans.set(
                        spans.size() - 1, new Span(piece.get(), spans.getLast().from(), at));
            else spans.add(new Span(piece.get(), from, at));
        }
        return new RunCourse(List.copyOf(spans));
    }

    private static boolean verifies(StepTime step) {
        return ProgrammingTimes.stretch(step.purpose())
                .filter(s -> s == ProgrammingTimes.Stretch.VERIFY)
                .isPresent();
    }

    private static Optional<RunPiece> of(RunPieces pieces, StepTime step, boolean verified) {
        return pieces.all().stream().filter(p -> p.holds(step, verified)).findFirst();
    }

    private static double seconds(Instant from, Instant to) {
        return Math.max(0, Duration.between(from, to).toMillis() / 1000.0);
    }

    double seconds() {
        return spans.isEmpty() ? 0 : spans.getLast().to();
    }

    /** Seconds that an operation was at work; empty while it did not begin. */
    Optional<Long> took(String title) {
        List<Span> of =
                spans.stream().filter(s -> s.piece().title().equals(title)).toList();
        return of.isEmpty()
                ? Optional.empty()
                : Optional.of(Math.round(
                        of.stream().mapToDouble(s -> s.to() - s.from()).sum()));
    }
}
