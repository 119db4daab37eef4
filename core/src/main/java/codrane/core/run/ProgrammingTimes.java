package codrane.core.run;

import codrane.core.timing.ProgrammingEstimate;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** How long a module really took to be programmed: the pack's figures are a prior, and corrected by it. */
public record ProgrammingTimes(Duration erase, Duration transfer, Duration verify) {
    /** What takes its time in a programming. */
    public enum Stretch {
        ERASE,
        TRANSFER,
        VERIFY
    }

    /** Of the steps by which it is measured. */
    public static final Set<String> PURPOSES =
            Set.of(ProgramMachine.ERASE, ProgramMachine.DOWNLOAD, ProgramMachine.END, ProgramMachine.CHECK);

    /** Of one programming that nothing disturbed; empty when a step was sent again, refused, or is not over. */
    public static Optional<ProgrammingTimes> of(List<StepTime> task) {
        Optional<StepTime> erase = once(task, ProgramMachine.ERASE);
        Optional<StepTime> download = once(task, ProgramMachine.DOWNLOAD);
        Optional<StepTime> end = once(task, ProgramMachine.END);
        Optional<StepTime> check = once(task, ProgramMachine.CHECK);
        if (erase.isEmpty() || download.isEmpty() || end.isEmpty() || check.isEmpty()) return Optional.empty();
        return Optional.of(new ProgrammingTimes(
                lasted(erase.get()), between(download.get().last(), end.get().last()), lasted(check.get())));
    }

    /** Whether a step erases, checks, or is of the transfer between; empty for one that comes before or after. */
    public static Optional<Stretch> stretch(String purpose) {
        return switch (purpose) {
            case ProgramMachine.ERASE -> Optional.of(Stretch.ERASE);
            case ProgramMachine.CHECK -> Optional.of(Stretch.VERIFY);
            case ProgramMachine.DOWNLOAD, ProgramMachine.END -> Optional.of(Stretch.TRANSFER);
            default -> purpose.startsWith("Send ") ? Optional.of(Stretch.TRANSFER) : Optional.empty();
        };
    }

    private static Optional<StepTime> once(List<StepTime> task, String purpose) {
        List<StepTime> found =
                task.stream().filter(s -> s.purpose().equals(purpose)).toList();
        return found.size() == 1 && found.getFirst().closed().isPresent()
                ? Optional.of(found.getFirst())
                : Optional.empty();
    }

    private static Duration lasted(StepTime step) {
        return between(step.at(), step.last());
    }

    private static Duration between(Instant from, Instant to) {
        Duration lasted = Duration.between(from, to);
        return lasted.isNegative() ? Duration.ZERO : lasted;
    }

    /**
     * The pack's estimate, with the middle of what was seen in its place.
     *
     * @param seen of the same module of the same model; the estimate stays as it is when there is none
     */
    public static ProgrammingEstimate corrected(ProgrammingEstimate pack, List<ProgrammingTimes> seen) {
        return seen.isEmpty()
                ? pack
                : new ProgrammingEstimate(
                        middle(seen, ProgrammingTimes::erase),
                        middle(seen, ProgrammingTimes::transfer),
                        middle(seen, ProgrammingTimes::verify),
                        pack.blocks());
    }

    private static Duration middle(List<ProgrammingTimes> seen, Function<ProgrammingTimes, Duration> part) {
        List<Duration> sorted = seen.stream().map(part).sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1
                ? sorted.get(half)
                : sorted.get(half - 1).plus(sorted.get(half)).dividedBy(2);
    }
}
