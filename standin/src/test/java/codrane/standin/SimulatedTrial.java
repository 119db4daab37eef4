package codrane.standin;

import static java.util.Objects.requireNonNull;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.Recovery;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.run.Step;
import codrane.link.run.LeaseLostException;
import codrane.link.run.RunLoop;
import codrane.standin.fault.FaultSpec;
import codrane.standin.module.AccessCodes;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;

/**
 * One run from its plan to its end, disturbed, killed and recovered at random: after each end the vehicle is asked, and what
 * is said to be next is done.
 */
final class SimulatedTrial {
    private static final int DISTURBED = 4;

    private final Random random;
    private final SimulatedJob.Ready job;
    private final VirtualWorkshop workshop;
    private final SimulatedWire wire;
    private final SimulatedRecords kept;
    private final List<String> story = new ArrayList<>();
    private final Set<String> blankBefore;
    /** How it ended for the process that took the run over. */
    private Optional<Optional<Step>> taken = Optional.empty();

    SimulatedTrial(SimulatedJob.Ready job, Random random) {
        this.job = job;
        this.random = random;
        workshop = job.workshop();
        kept = new SimulatedRecords(job);
        wire = new SimulatedWire(job.tasks());
        blankBefore = bootOnly();
    }

    List<String> story() {
        return story;
    }

    /** @throws AssertionError when an end has no name, is not true, or leads nowhere */
    void play() {
        RunState state = RunState.begin(job.tasks());
        int most = DISTURBED + job.tasks().size() + 6;
        for (int attempt = 1; attempt <= most; attempt++) {
            disturb(attempt <= DISTURBED);
            Optional<Step> end = carryOut(state);
            if (end.isPresent() && end.get().action() instanceof RunAction.Finished) {
                mend();
                holdsWhatWasPlanned();
                return;
            }
            boolean interrupted =
                    end.map(e -> ((RunAction.Stopped) e.action()).lost()).orElse(true);
            end.ifPresent(e -> named((RunAction.Stopped) e.action()));
            trueOfTheVehicle(interrupted);
            mend();
            learnKeysElsewhere();
            state = Recovery.after(job.tasks(), kept.ended(interrupted));
        }
        throw new AssertionError("following what is next led to no end");
    }

    private Optional<Step> carryOut(RunState state) {
        SimulatedRecords.Node node = kept.node();
        RunLoop loop = new RunLoop(
                new RunLoop.Wire(wire.over(workshop.link(), node), new SimulatedKeys()),
                workshop.vehicle().pack(),
                job.image(),
                new Gates(node),
                node);
        try {
            Step end = loop.run(state);
            node.done(end.state().index());
            story.add(end.action().toString());
            return Optional.of(end);
        } catch (SimulatedRecords.Killed e) {
            story.add("killed in " + kept.index() + ", "
                    + job.tasks().get(kept.index()).title());
            return Optional.empty();
        } catch (LeaseLostException e) {
            story.add("the first of them sends nothing any more");
            Optional<Step> end = taken.orElseThrow();
            taken = Optional.empty();
            return end;
        }
    }

    /** Another process goes on with a run whose own has fallen silent, and has not ended. */
    private void takeOver() {
        story.add("taken over in " + kept.index() + ", "
                + job.tasks().get(kept.index()).title());
        workshop.reconnect();
        taken = Optional.of(carryOut(Recovery.after(job.tasks(), kept.ended(true))));
    }

    private void disturb(boolean on) {
        kept.calm();
        wire.lose(0, false);
        if (!on) return;
        switch (random.nextInt(8)) {
            case 0 -> kept.killAt(someCall());
            case 1 -> kept.killAtWriting(1 + random.nextInt(8));
            case 2 -> kept.hangAt(someCall(), Duration.ofSeconds(1 + random.nextInt(40)), this::takeOver);
            case 3 -> kept.handAt(someCall(), this::pullKey);
            case 4 -> wire.lose(1 + random.nextInt(30), random.nextBoolean());
            default -> {} // only what stands below
        }
        for (int i = random.nextInt(3); i > 0; i--) {
            String fault = fault();
            story.add(fault);
            workshop.faults().bring(((FaultSpec.Parsed.Spec) FaultSpec.parse(fault)).spec());
        }
    }

    private void pullKey() {
        story.add("key pulled in " + kept.index() + ", "
                + job.tasks().get(kept.index()).title());
        workshop.vehicle().key(Key.OFF);
    }

    private int someCall() {
        return 1 + random.nextInt(random.nextBoolean() ? 30 : 400);
    }

    private String fault() {
        List<RunTask> tasks = job.tasks();
        String module = tasks.get(random.nextInt(tasks.size())).module().id();
        int after = random.nextInt(40);
        return switch (random.nextInt(11)) {
            case 0 -> "drop:count=" + (1 + random.nextInt(4)) + ",every=" + (1 + random.nextInt(60));
            case 1 -> "delay:count=3,every=7,ms=" + (10 + random.nextInt(300));
            case 2 -> "duplicate:count=3,every=" + (1 + random.nextInt(20));
            case 3 -> "pending:module=" + module + ",times=" + (1 + random.nextInt(30)) + ",after=" + after;
            case 4 -> "silent:module=" + module + ",after=" + after + ",seconds=" + random.nextInt(30);
            case 5 -> "cable:after=" + after;
            case 6 -> "wireless:after=" + after + ",seconds=" + (1 + random.nextInt(60));
            case 7 ->
                "sag:volts=1" + (1 + random.nextInt(2)) + ".2,after=" + after + ",seconds=" + (1 + random.nextInt(90));
            default ->
                "power-loss:module=" + module + ",block=" + (1 + random.nextInt(40)) + ",seconds="
                        + (1 + random.nextInt(5));
        };
    }

    /** A person takes away what stood in the way, and connects again. */
    private void mend() {
        workshop.faults().clear();
        workshop.time().advance(Duration.ofSeconds(60 + random.nextInt(30)));
        workshop.faults().clear(); // what was about to begin has begun
        workshop.vehicle().key(Key.ON);
        workshop.reconnect();
        new Scenes(workshop).authorise();
    }

    /** With the tool that the run names, as it says. */
    private void learnKeysElsewhere() {
        if (kept.index() >= job.tasks().size()
                || !(job.tasks().get(kept.index()) instanceof RunTask.KeysElsewhere keys)) return;
        while (workshop.vehicle().immobiliser().keys() < keys.keys())
            workshop.vehicle().immobiliser().learnedElsewhere();
    }

    private static void named(RunAction.Stopped end) {
        assertThat(end.sentence()).as(end.toString()).endsWith(".").hasSizeGreaterThan(10);
        assertThat(end.nextStep()).as(end.toString()).endsWith(".").hasSizeGreaterThan(10);
        if (end.lost()) assertThat(end.nextStep()).as(end.toString()).containsIgnoringCase("recover the run");
    }

    /** A module without its application is never said to be where one can stop. */
    private void trueOfTheVehicle(boolean interrupted) {
        Set<String> blank = bootOnly();
        blank.removeAll(blankBefore);
        if (!interrupted)
            assertThat(blank)
                    .as("without software after a stop that is said to be safe")
                    .isEmpty();
    }

    private Set<String> bootOnly() {
        Set<String> blank = new HashSet<>();
        modules().forEach((id, look) -> {
            if (Boolean.TRUE.equals(look.get("bootOnly"))) blank.add(id);
        });
        return blank;
    }

    @SuppressWarnings("unchecked") // a look is made of maps
    private Map<String, Map<String, Object>> modules() {
        return (Map<String, Map<String, Object>>)
                requireNonNull(workshop.vehicle().look().get("modules"));
    }

    private Map<String, Object> module(PackModule module) {
        return requireNonNull(modules().get(module.id()));
    }

    /** The last word on each thing that was to be written. */
    private void holdsWhatWasPlanned() {
        for (RunTask task : job.tasks()) {
            Map<String, Object> look = module(task.module());
            switch (task) {
                case RunTask.Program program ->
                    assertThat(look.get("software")).as(task.title()).isEqualTo(program.softwareAfter());
                case RunTask.Write write ->
                    assertThat(wire.read(workshop.link(), write))
                            .as(task.title())
                            .isEqualTo(write.value());
                case RunTask.LearnVin learn ->
                    assertThat(look.get("vin"))
                            .as(task.title())
                            .isEqualTo(learn.vin().text());
                case RunTask.Pair pair ->
                    assertThat(module(pair.member()).get("paired"))
                            .as(task.title())
                            .isEqualTo(true);
                case RunTask.LearnKey key ->
                    assertThat(workshop.vehicle().immobiliser().keys()).isGreaterThanOrEqualTo(key.number());
                case RunTask.KeysElsewhere keys ->
                    assertThat(workshop.vehicle().immobiliser().keys()).isEqualTo(keys.keys());
                case RunTask.Routine routine -> {}
                case RunTask.TurnKey turn -> {}
                case RunTask.Restart restart -> {}
                case RunTask.Clear clear -> {}
            }
        }
        assertThat(bootOnly()).as("without software at the end").isEmpty();
        wire.nothingForGoodTwice();
        workshop.vehicle().key(Key.ON);
        kept.ledgerAgrees();
    }

    /** The supply is watched, codes are at hand, and somebody turns the key when it is asked for. */
    private final class Gates extends SupplyGates {
        private final SimulatedRecords.Node node;

        Gates(SimulatedRecords.Node node) {
            super(workshop);
            this.node = node;
        }

        @Override
        public Verdict beforeSending(RunState state) {
            node.beforeSending(state);
            if (state.phase() == RunState.Phase.WINDOW && state.tries() == 2) turnKey();
            return super.beforeSending(state);
        }

        private void turnKey() {
            workshop.vehicle().key(Key.OFF);
            pause(Duration.ofSeconds(2));
            workshop.vehicle().key(Key.ON);
        }

        @Override
        public Optional<Reply> withCodes(Function<Bytes, Reply> exchange) {
            var pack = workshop.vehicle().pack();
            var immobiliser = pack.equipment().immobiliser().orElseThrow();
            String code = AccessCodes.of(workshop.vin(), immobiliser.codeDigits());
            String day = immobiliser.dailyCode()
                    ? AccessCodes.ofDay(
                            pack.maker(), LocalDate.ofInstant(workshop.vehicle().now(), ZoneOffset.UTC))
                    : "";
            return Optional.of(exchange.apply(Bytes.ascii(code + day)));
        }
    }
}
