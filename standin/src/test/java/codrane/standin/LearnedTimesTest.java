package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import codrane.core.pack.Pack;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.run.ProgrammingTimes;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.StepTime;
import codrane.core.timing.ProgrammingEstimate;
import codrane.link.run.RunJournal;
import codrane.standin.vehicle.Setup;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Modules have times of their own that no pack tells: after three programmings of a model the fourth is foretold. */
class LearnedTimesTest {
    private static final int BYTES = 256 * 1024;

    @ParameterizedTest
    @CsvSource({
        "brennick-lorne, tail-lift",
        "ardwyn-gannet, engine",
        "tolvane-chorus, doors",
        "peregil-dunlin, steering"
    })
    void programming_afterThreeOfTheModel_isForetoldWithinTwoPercent(String id, String module) {
        Pack pack = TestPacks.load(id);
        Pack sized =
                pack.withFlash(module, pack.module(module).flash().orElseThrow().withLength(BYTES));
        List<ProgrammingTimes> seen = new ArrayList<>();
        for (int vehicle = 1; vehicle <= 3; vehicle++) seen.add(programmed(sized, module, vehicle));
        ProgrammingEstimate prior =
                ProgrammingSeconds.estimate(sized, sized.module(module).flash().orElseThrow());
        ProgrammingEstimate learned = ProgrammingTimes.corrected(prior, seen);
        ProgrammingTimes fourth = programmed(sized, module, 4);
        double real = seconds(fourth);
        assertThat(learned.total().toMillis() / 1000.0).isCloseTo(real, within(real * 0.02));
        assertThat(learned.blocks()).isEqualTo(prior.blocks());
    }

    private static double seconds(ProgrammingTimes times) {
        return times.erase().plus(times.transfer()).plus(times.verify()).toMillis() / 1000.0;
    }

    private static ProgrammingTimes programmed(Pack pack, String module, int vehicle) {
        Setup healthy = Setup.healthy(pack, Conditions.ofFleet(pack, vehicle).vin());
        VirtualWorkshop workshop = new VirtualWorkshop(healthy.withBlankPart(module));
        new Scenes(workshop).authorise();
        Times times = new Times(workshop);
        RunAction end = workshop.run(RunState.begin(List.of(workshop.programming(module))), times);
        assertThat(end).isInstanceOf(RunAction.Finished.class);
        return ProgrammingTimes.of(times.steps).orElseThrow();
    }

    /** The journal as far as its times go. */
    private static final class Times implements RunJournal {
        private final List<StepTime> steps = new ArrayList<>();
        private final VirtualWorkshop workshop;
        private Instant sent = Instant.EPOCH;

        Times(VirtualWorkshop workshop) {
            this.workshop = workshop;
        }

        private Instant now() {
            return Instant.EPOCH.plusNanos(workshop.time().now());
        }

        @Override
        public void open(RunState state, RunAction action) {
            sent = now();
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {
            if (action instanceof RunAction.Send send)
                steps.add(new StepTime(1, state.index(), send.purpose(), sent, Optional.of(now())));
        }
    }
}
