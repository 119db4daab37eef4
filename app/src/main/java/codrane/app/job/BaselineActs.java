package codrane.app.job;

import codrane.app.Times;
import codrane.app.baseline.Baselines;
import codrane.app.intake.IntakeStore;
import codrane.app.live.JobTasks;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import codrane.core.baseline.Restore;
import codrane.core.job.IntakeNotes;
import codrane.core.job.Job;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Stage;
import codrane.core.scan.DeepReading;
import codrane.core.scan.ObdReading;
import codrane.link.LinkLostException;
import codrane.link.scan.DeepReader;
import codrane.link.scan.ObdReader;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Reads baselines for a job, and compares them with how the vehicle was left. */
@Component
public class BaselineActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final Acts acts;
    private final Readings readings;
    private final Baselines baselines;
    private final PutBackStore putBacks;
    private final IntakeStore intakes;
    private final JobTasks tasks;
    private final Around around;

    /** What is read besides, and told. */
    @Component
    record Around(Interfaces interfaces, AuditTrail audit, Times times, InstantSource time) {}

    BaselineActs(
            Acts acts,
            Readings readings,
            Baselines baselines,
            PutBackStore putBacks,
            IntakeStore intakes,
            JobTasks tasks,
            Around around) {
        this.acts = acts;
        this.readings = readings;
        this.baselines = baselines;
        this.putBacks = putBacks;
        this.intakes = intakes;
        this.tasks = tasks;
        this.around = around;
    }

    /**
     * Reads everything, in the background, and stores it.
     *
     * @param module the one to be read; empty for the whole vehicle
     */
    public Acted store(long number, String module, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.BASELINE, "began a baseline", facts -> {
            asked[0] = facts;
            if (facts.before().isEmpty()) return refused("Scan first: what can't be identified can't be kept.");
            if (!module.isEmpty() && !facts.pack().modules().containsKey(module))
                return refused("This vehicle has no such module.");
            return held(facts).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        Pack pack = asked[0].pack();
        Collection<PackModule> wanted = module.isEmpty() ? pack.modules().values() : List.of(pack.module(module));
        tasks.begin(number, "Reading the baseline", teller -> {
            DeepReading reading = read(asked[0], who, wanted, teller);
            kept(acts.then(number, who, "stored a baseline", facts -> {
                Job job = facts.job();
                Instant now = around.time().instant();
                Baseline baseline = Baseline.of(pack, job.vin().text(), now, reading);
                Purpose purpose = facts.written() ? Purpose.AS_LEFT : Purpose.BEFORE;
                baselines.add(
                        new Baselines.Place(job.id(), job.vehicleId(), Origin.READ, purpose, module),
                        baseline,
                        now,
                        who);
                around.audit().record(who, "stored baseline", "job " + number, baseline.sha256());
                return DONE;
            }));
        });
        return DONE;
    }

    /** What was read for a job that was closed meanwhile is not kept, and says so. */
    private static void kept(Acted acted) {
        if (acted instanceof Acted.Refused(String sentence, var remedy)) throw new TaskFailedException(sentence);
    }

    private Optional<Acted> held(JobFacts facts) {
        if (facts.runHolds())
            return Optional.of(refused("A run is under way or waits to be recovered: read when it has ended."));
        return tasks.busy(facts.job().number()).map(title -> refused("Wait until this has ended: " + title + "."));
    }

    /** Reads the old module before anyone removes it; that it could not be read is a result, too. */
    public Acted readOld(long number, String who) {
        JobFacts[] asked = new JobFacts[1];
        Acted allowed = acts.on(number, who, Stage.BENCH, "began to read the old module", facts -> {
            asked[0] = facts;
            if (facts.replaced().isEmpty() || !facts.intake().stillIn())
                return refused("There is no old module in the vehicle, as was said at Intake.");
            if (facts.written())
                return refused("Something was written in this job already: what answers now is not the old module.");
            if (facts.bench().isEmpty() || facts.stranger().isPresent()) return refused("Prove the link first.");
            return held(facts).orElse(DONE);
        });
        if (!(allowed instanceof Acted.Done)) return allowed;
        PackModule module = asked[0].replaced().orElseThrow();
        tasks.begin(number, "Reading the old " + module.lowerTitle(), teller -> {
            DeepReading reading = read(asked[0], who, List.of(module), teller);
            kept(acts.then(number, who, "read the old module", facts -> keepOld(facts, module, reading, who)));
        });
        return DONE;
    }

    private Acted keepOld(JobFacts facts, PackModule module, DeepReading reading, String who) {
        Job job = facts.job();
        Instant now = around.time().instant();
        boolean answers = reading.modules().get(module.id()).answers();
        if (answers) {
            Baseline baseline = Baseline.of(facts.pack(), job.vin().text(), now, reading);
            baselines.add(
                    new Baselines.Place(job.id(), job.vehicleId(), Origin.READ, Purpose.OLD_PART, module.id()),
                    baseline,
                    now,
                    who);
        }
        String sentence = answers
                ? "The old " + module.lowerTitle() + " was read and is kept."
                : "The old " + module.lowerTitle() + " could not be read: it does not answer.";
        intakes.put(job.id(), facts.intake().with(new IntakeNotes.OldReading(answers, sentence)), now, who);
        around.audit()
                .record(
                        who,
                        answers ? "read the old module" : "could not read the old module",
                        "job " + job.number(),
                        "");
        return DONE;
    }

    private DeepReading read(JobFacts facts, String who, Collection<PackModule> wanted, JobTasks.Teller teller) {
        Pack pack = facts.pack();
        Instant begun = around.time().instant();
        Duration expected = BaselineEstimate.of(pack, wanted);
        int[] done = new int[1];
        List<ObdReading> obd = legislated(facts, wanted);
        return readings.read(
                facts,
                who,
                link -> new DeepReader(link, pack)
                        .read(
                                wanted,
                                obd,
                                reading -> teller.tell(
                                        pack.module(reading.module()).title() + ", "
                                                + left(begun, expected, ++done[0], wanted.size()),
                                        done[0],
                                        wanted.size())));
    }

    private List<ObdReading> legislated(JobFacts facts, Collection<PackModule> wanted) {
        if (wanted.size() == 1) return List.of();
        return around.interfaces()
                .of(facts.pack())
                .map(bench -> obd(facts.pack(), bench))
                .orElse(List.of());
    }

    /** Those who take no part in the legislated diagnostics are silent: that is no failure. */
    private static List<ObdReading> obd(Pack pack, BenchInterface bench) {
        try {
            return bench.useLegislated(pack, link -> new ObdReader(link).read());
        } catch (LinkLostException e) {
            return List.of();
        }
    }

    /** By the pace so far, once there is one. */
    private String left(Instant begun, Duration expected, int done, int total) {
        Duration spent = Duration.between(begun, around.time().instant());
        Duration whole = done < 3 ? expected : spent.multipliedBy(total).dividedBy(done);
        long seconds = Math.max(0, whole.minus(spent).toSeconds());
        return done == total ? "storing" : "about " + NextActs.minutes((int) seconds) + " left";
    }

    /**
     * How the vehicle was left before, and what is not so any more.
     *
     * @param whole blocks that may go back as they are, one for each that differs
     * @param wholeRefused why blocks of a module may not, in words
     */
    public record Lost(
            BaselineSummary asLeft,
            BaselineSummary now,
            Drift drift,
            List<WholeBlock> whole,
            List<String> wholeRefused,
            String sentence) {
        /** Whether not one octet of coding differs. */
        public boolean same() {
            return drift.isEmpty() && whole.isEmpty() && wholeRefused.isEmpty();
        }
    }

    /** A block that differs and may be restored raw. */
    public record WholeBlock(PutBack putBack, String title) {}

    /** @return empty when there is nothing to compare with, or no baseline of now */
    public Optional<Lost> lost(JobFacts facts) {
        Optional<BaselineSummary> now = facts.baseline().filter(BaselineSummary::whole);
        Optional<BaselineSummary> then =
                baselines.asLeft(facts.job().vehicleId(), facts.job().id());
        if (now.isEmpty() || then.isEmpty()) return Optional.empty();
        BaselineFile asLeft = baselines.file(then.get().id());
        BaselineFile found = baselines.file(now.get().id());
        Drift drift = Drift.of(facts.pack(), asLeft, found);
        List<WholeBlock> whole = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        for (BaselineDiff.ModuleDiff diff : BaselineDiff.of(asLeft, found).modules()) {
            if (diff.coding().isEmpty() || !facts.pack().modules().containsKey(diff.module())) continue;
            PackModule module = facts.pack().module(diff.module());
            switch (Restore.judge(asLeft, found, diff.module())) {
                case Restore.Refused(String reason) -> refused.add(module.title() + ": " + reason);
                case Restore.Possible(Map<String, Bytes> blocks) ->
                    blocks.forEach((layout, raw) -> whole.add(whole(facts.pack(), module, found, layout, raw)));
            }
        }
        boolean same = drift.isEmpty() && whole.isEmpty() && refused.isEmpty();
        String left = around.times().at(then.get().takenAt());
        String read = around.times().at(now.get().takenAt());
        String sentence = (same
                        ? "Every setting read on " + read + " is as it was left on " + left + "."
                        : "No setting that has a name differs between " + left + " and " + read
                                + ", but other octets of coding do.")
                + (facts.written() ? " What this job changed since then stands under Record." : "");
        return Optional.of(new Lost(then.get(), now.get(), drift, whole, refused, sentence));
    }

    private static WholeBlock whole(Pack pack, PackModule module, BaselineFile found, String layout, Bytes raw) {
        String now = found.module(module.id()).orElseThrow().coding().stream()
                .filter(b -> b.id().equals(layout))
                .map(b -> b.raw().hex())
                .findFirst()
                .orElse("");
        return new WholeBlock(
                new PutBack(module.id(), layout, PutBack.WHOLE, raw.hex(), now),
                module.title() + ", " + pack.layouts().get(layout).title());
    }

    /**
     * Chooses which lost settings are put back; nothing is chosen beforehand.
     *
     * @param keys of settings that are lost and can be put back
     */
    public Acted choose(long number, List<String> keys, String who) {
        return acts.on(number, who, Stage.DECIDE, "chose settings to put back", facts -> {
            if (facts.runHolds())
                return refused("A run is under way or waits to be recovered: what it uses stays as it is.");
            Optional<Lost> lost = lost(facts);
            if (lost.isEmpty()) return refused("There is nothing to compare with.");
            return choose(facts, lost.get(), keys, who);
        });
    }

    private Acted choose(JobFacts facts, Lost lost, List<String> keys, String who) {
        List<PutBack> chosen = Stream.concat(
                        lost.drift().all().stream().filter(Drift.Lost::possible).map(Drift.Lost::putBack),
                        lost.whole().stream().map(WholeBlock::putBack))
                .filter(p -> keys.contains(p.key()))
                .toList();
        boolean both = chosen.stream()
                .anyMatch(p -> !p.whole()
                        && chosen.stream().anyMatch(w -> w.whole() && w.layout().equals(p.layout())));
        if (both) return refused("A whole block brings its settings with it: tick the one or the other.");
        if (chosen.size() != keys.size()) return refused("One of these settings is not lost, or can't be put back.");
        putBacks.put(
                facts.job().id(),
                Optional.of(lost.asLeft().id()),
                chosen,
                around.time().instant(),
                who);
        around.audit()
                .record(who, "chose settings to put back", "job " + facts.job().number(), String.join(", ", keys));
        return DONE;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
