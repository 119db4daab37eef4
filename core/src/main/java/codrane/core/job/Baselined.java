package codrane.core.job;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import java.util.List;
import java.util.Optional;
import java.util.function.LongFunction;
import java.util.function.Supplier;

/**
 * What Baseline knows.
 *
 * @param kept baselines of the job, oldest first
 * @param files their contents by id, read when they are asked for
 * @param sources whole baselines of the vehicle, the newest first, then the newest of each other vehicle of the model; read
 *     when they are asked for
 */
public record Baselined(
        List<BaselineSummary> kept, LongFunction<BaselineFile> files, Supplier<List<BaselineFile>> sources)
        implements Part {
    public static final Baselined NONE = new Baselined(
            List.of(),
            id -> {
                throw new IllegalArgumentException("there is no baseline " + id);
            },
            List::of);

    public Baselined {
        kept = List.copyOf(kept);
    }

    /** The one from before any write: the newest, if it was read again. */
    public Optional<BaselineSummary> before() {
        return kept.stream()
                .filter(b -> b.purpose() != Purpose.OLD_PART && b.purpose() != Purpose.AS_LEFT)
                .reduce((first, last) -> last);
    }

    /** The first one of the vehicle in this job: whatever was written since is not in it. */
    public Optional<BaselineSummary> first() {
        return kept.stream()
                .filter(b -> b.purpose() != Purpose.OLD_PART && b.purpose() != Purpose.AS_LEFT)
                .findFirst();
    }

    public Optional<BaselineSummary> last(Purpose purpose) {
        return kept.stream().filter(b -> b.purpose() == purpose).reduce((first, last) -> last);
    }

    /** Codes of the vehicle order as the first whole baseline has them; none when it has none. */
    public List<String> orderNow() {
        return kept.stream()
                .filter(BaselineSummary::whole)
                .findFirst()
                .flatMap(b -> files.apply(b.id()).order())
                .map(codes -> List.of(codes.strip().split("\\s+")))
                .orElse(List.of());
    }
}
