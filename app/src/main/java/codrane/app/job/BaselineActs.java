package codrane.app.job;

import codrane.app.baseline.BaselineSummary;
import codrane.app.baseline.BaselineSummary.Origin;
import codrane.app.baseline.BaselineSummary.Purpose;
import codrane.app.baseline.Baselines;
import codrane.app.intake.IntakeNotes;
import codrane.app.intake.IntakeStore;
import codrane.app.live.JobTasks;
import codrane.app.live.RunRecord;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineEstimate;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.Drift;
import codrane.core.baseline.PutBack;
import codrane.core.baseline.Restore;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
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

    private final JobDesk desk;
    private final Baselines baselines;
    private final PutBackStore putBacks;
    private final IntakeStore intakes;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final AuditTrail audit;
    private final InstantSource time;

    BaselineActs(
            JobDesk desk,
            Baselines baselines,
            PutBackStore putBacks,
            IntakeStore intakes,
            JobTasks tasks,
            Interfaces interfaces,
            AuditTrail audit,
            InstantSource time) {
        this.desk = desk;
        this.baselines = baselines;
        this.putBacks = putBacks;
        this.intakes = intakes;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.audit = audit;
        this.time = time;
    }

    /**
     * Reads everything, in the background, and stores it.
     *
     * @param module the one to be read; empty for the whole vehicle
     */
    public Acted store(long number, String module, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.before().isEmpty()) return refused("Scan first: what can't be identified can't be kept.");
        if (facts.runHolds()) return refused("A run is under way or waits to be recovered: read when it has ended.");
        if (!module.isEmpty() && !facts.pack().modules().containsKey(module))
            return refused("This vehicle has no such module.");
        Collection<PackModule> wanted = module.isEmpty()
                ? facts.pack().modules().values()
                : List.of(facts.pack().module(module));
        boolean written = facts.run().map(RunRecord::finished).orElse(false);
        Purpose purpose = written ? Purpose.AS_LEFT : Purpose.BEFORE;
        tasks.begin(number, "Reading the baseline", teller -> {
            DeepReading reading = read(facts, wanted, teller);
            Instant now = time.instant();
            Baseline baseline = Baseline.of(facts.pack(), facts.job().vin().text(), now, reading);
            JobRecord job = facts.job();
            baselines.add(
                    new Baselines.Place(job.id(), job.vehicleId(), Origin.READ, purpose, module), baseline, now, who);
            audit.record(who, "stored baseline", "job " + number, baseline.sha256());
        });
        return DONE;
    }

    /** Reads the old module before anyone removes it; that it could not be read is a result, too. */
    public Acted readOld(long number, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.replaced().isEmpty() || !facts.intake().stillIn())
            return refused("There is no old module in the vehicle, as was said at Intake.");
        if (facts.bench().isEmpty()) return refused("Prove the link first.");
        PackModule module = facts.replaced().get();
        tasks.begin(number, "Reading the old " + module.lowerTitle(), teller -> {
            DeepReading reading = read(facts, List.of(module), teller);
            Instant now = time.instant();
            JobRecord job = facts.job();
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
            IntakeNotes notes = intakes.get(job.id()); // as they are by now: somebody may have typed meanwhile
            intakes.put(job.id(), notes.with(new IntakeNotes.OldReading(answers, sentence)), now, who);
            audit.record(who, answers ? "read the old module" : "could not read the old module", "job " + number, "");
        });
        return DONE;
    }

    private DeepReading read(JobFacts facts, Collection<PackModule> wanted, JobTasks.Teller teller) {
        Pack pack = facts.pack();
        BenchInterface bench = interfaces
                .of(pack)
                .orElseThrow(() ->
                        new JobTasks.TaskFailedException("No interface on this computer speaks to this vehicle."));
        Instant begun = time.instant();
        Duration expected = BaselineEstimate.of(pack, wanted);
        List<ObdReading> obd = wanted.size() == 1 ? List.of() : obd(pack, bench);
        int[] done = new int[1];
        return bench.use(
                pack,
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
        Duration spent = Duration.between(begun, time.instant());
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
            List<String> wholeRefused) {}

    /** A block that differs and may be restored raw. */
    public record WholeBlock(PutBack putBack, String title) {}

    /** @return empty when there is nothing to compare with, or no baseline of now */
    public Optional<Lost> lost(JobFacts facts) {
        Optional<BaselineSummary> now = facts.baseline().filter(BaselineSummary::whole);
        Optional<BaselineSummary> then =
                baselines.asLeft(facts.job().vehicleId(), facts.job().id());
        if (now.isEmpty() || then.isEmpty()) return Optional.empty();
        BaselineFile left = baselines.file(then.get().id());
        BaselineFile found = baselines.file(now.get().id());
        Drift drift = Drift.of(facts.pack(), left, found);
        List<WholeBlock> whole = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        for (BaselineDiff.ModuleDiff diff : BaselineDiff.of(left, found).modules()) {
            if (diff.coding().isEmpty() || !facts.pack().modules().containsKey(diff.module())) continue;
            PackModule module = facts.pack().module(diff.module());
            switch (Restore.judge(left, found, diff.module())) {
                case Restore.Refused(String reason) -> refused.add(module.title() + ": " + reason);
                case Restore.Possible(Map<String, Bytes> blocks) ->
                    blocks.forEach((layout, raw) -> whole.add(whole(facts.pack(), module, found, layout, raw)));
            }
        }
        return Optional.of(new Lost(then.get(), now.get(), drift, whole, refused));
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
        JobFacts facts = desk.facts(number);
        if (facts.runHolds())
            return refused("A run is under way or waits to be recovered: what it uses stays as it is.");
        Optional<Lost> lost = lost(facts);
        if (lost.isEmpty()) return refused("There is nothing to compare with.");
        List<PutBack> chosen = Stream.concat(
                        lost.get().drift().all().stream()
                                .filter(Drift.Lost::possible)
                                .map(Drift.Lost::putBack),
                        lost.get().whole().stream().map(WholeBlock::putBack))
                .filter(p -> keys.contains(p.key()))
                .toList();
        boolean both = chosen.stream()
                .anyMatch(p -> !p.whole()
                        && chosen.stream().anyMatch(w -> w.whole() && w.layout().equals(p.layout())));
        if (both) return refused("A whole block brings its settings with it: tick the one or the other.");
        if (chosen.size() != keys.size()) return refused("One of these settings is not lost, or can't be put back.");
        putBacks.put(facts.job().id(), Optional.of(lost.get().asLeft().id()), chosen, time.instant(), who);
        audit.record(who, "chose settings to put back", "job " + number, String.join(", ", keys));
        return DONE;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
