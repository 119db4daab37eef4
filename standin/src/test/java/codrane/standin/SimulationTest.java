package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.JobKind;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/**
 * Whole runs in virtual time: random plans of all packs, random faults, kills and restarts, several at once. Some hundred in
 * every build; {@code ./codrane test --simulate} plays 10,000, and {@code CODRANE_SEED=n} replays one.
 */
class SimulationTest {
    private static final int TRIALS = Integer.getInteger("codrane.simulate", 300);
    private static final Long SEED = Long.getLong("codrane.seed");

    private record Result(long seed, Optional<String> title, List<String> story, Optional<String> failure) {
        /** Of one that was played. */
        JobKind kind() {
            return JobKind.valueOf(title.orElseThrow().split(" ")[0]);
        }

        boolean tells(String what) {
            return story.stream().anyMatch(line -> line.startsWith(what));
        }
    }

    @Test
    void runs_disturbedKilledAndRecovered_endWellWhenWhatIsNextIsDone() {
        List<Result> results = (SEED == null ? LongStream.rangeClosed(1, TRIALS) : LongStream.of(SEED))
                .parallel()
                .mapToObj(SimulationTest::play)
                .toList();
        Map<Boolean, List<Result>> played = results.stream()
                .collect(Collectors.partitioningBy(r -> r.title().isPresent()));
        assertThat(results.stream().flatMap(r -> r.failure().stream()).limit(10))
                .isEmpty();
        if (SEED != null) return;
        // a simulation that hardly ever runs proves nothing
        assertThat(played.get(true).size()).isGreaterThan(TRIALS / 3);
        assertThat(played.get(true)).extracting(Result::kind).as("kinds").containsAll(SimulatedJob.KINDS);
        for (String what : List.of("killed", "taken over", "key pulled"))
            assertThat(results).as(what).filteredOn(r -> r.tells(what)).hasSizeGreaterThan(TRIALS / 100);
    }

    private static Result play(long seed) {
        Random random = new Random(seed);
        Optional<SimulatedJob.Ready> job = SimulatedJob.of(random);
        if (job.isEmpty()) return new Result(seed, Optional.empty(), List.of(), Optional.empty());
        Optional<String> title = Optional.of(job.get().title());
        SimulatedTrial trial = new SimulatedTrial(job.get(), random);
        try {
            trial.play();
            return new Result(seed, title, trial.story(), Optional.empty());
        } catch (AssertionError | RuntimeException e) {
            return new Result(
                    seed,
                    title,
                    trial.story(),
                    Optional.of("CODRANE_SEED=" + seed + ", " + job.get().title() + ": " + e + "\n  "
                            + String.join("\n  ", trial.story())));
        }
    }
}
