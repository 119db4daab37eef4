package codrane.app.stage.bench;

import static java.util.Objects.requireNonNull;

import codrane.app.baseline.DeepReadings;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.job.Readings;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.app.tools.Tools;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.BenchNotes;
import codrane.core.job.JobState;
import codrane.core.job.stage.BenchStage;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.power.SupplyReading;
import codrane.core.run.Reply;
import codrane.core.scan.DeepReading;
import codrane.core.text.Words;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Bench: what people note there, and one answered request that proves the link. */
@Component
public class BenchActs {
    private final Acts acts;
    private final Readings readings;
    private final DeepReadings deep;
    private final Notes notes;
    private final Interfaces interfaces;
    private final Around around;

    /** Who else is told. */
    @Component
    record Around(Tools tools, AuditTrail audit, InstantSource time) {}

    BenchActs(Acts acts, Readings readings, DeepReadings deep, Notes notes, Interfaces interfaces, Around around) {
        this.acts = acts;
        this.readings = readings;
        this.deep = deep;
        this.notes = notes;
        this.interfaces = interfaces;
        this.around = around;
    }

    public Acted note(long number, BenchForm form, String who) {
        return acts.on(number, who, BenchStage.NOTE, state -> switch (form.read()) {
            case BenchForm.Read.Wrong(String sentence) -> Acted.refused(sentence + " Nothing was changed.");
            case BenchForm.Read.Notes(BenchNotes typed) -> {
                notes.put(state.job().id(), BenchStored.KIND, BenchStored.of(typed), who);
                yield Acted.done();
            }
        });
    }

    /** Proves the interface by one answered request, asks which vehicle it is, and reads the supply. */
    public Acted ask(long number, String who) {
        return acts.beginAlone(number, who, BenchStage.ASK_VEHICLE).then(state -> ask(state, who));
    }

    private Acted ask(JobState state, String who) {
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        if (bench.isEmpty()) return Acted.refused(BenchInterface.NONE_SPEAKS);
        try {
            Optional<PackModule> answered =
                    readings.read(state, who, link -> firstThatAnswers(state, bench.get(), link));
            return answered.isEmpty()
                    ? Acted.refused("No module answers over " + bench.get().name()
                            + ". Is the key on, is the cable plugged in?")
                    : proven(state.job().number(), bench.get(), answered.get(), who);
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return Acted.refused(Words.said(e));
        }
    }

    /** The module whose VIN counts as the vehicle's is asked first, unless it is the one that was replaced. */
    private static Optional<PackModule> firstThatAnswers(JobState state, BenchInterface bench, DiagnosticLink link) {
        Pack pack = state.pack();
        List<PackModule> modules = new ArrayList<>(pack.modules().values());
        modules.sort(Comparator.comparing((PackModule m) -> state.replaced().equals(Optional.of(m)))
                .thenComparing(m -> !m.id().equals(pack.vinReference())));
        VehicleScanner scanner = new VehicleScanner(link, pack);
        Optional<PackModule> answered = modules.stream()
                .filter(m -> scanner.greet(m) instanceof Reply.Positive)
                .findFirst();
        if (answered.isPresent()) bench.readKey(pack, link);
        return answered;
    }

    private Acted proven(long number, BenchInterface bench, PackModule module, String who) {
        Optional<Double> volts = bench.samples().reversed().stream().findFirst().map(SupplyReading::volts);
        return acts.then(number, who, BenchStage.ASK_VEHICLE.said(), state -> {
            long job = state.job().id();
            around.tools().answered(bench.name(), around.time().instant());
            notes.put(job, CheckStored.KIND, new CheckStored(bench.name(), module.title(), volts), who);
            notes.forget(job, Readings.STRANGER);
            return Acted.done();
        });
    }

    /** Reads the old module before anyone removes it; that it could not be read is a result, too. */
    public Acted readOld(long number, String who) {
        return acts.beginAlone(number, who, BenchStage.READ_OLD).then(state -> {
            PackModule module = state.replaced().orElseThrow();
            String title = "Reading the old " + module.lowerTitle();
            deep.begin(
                    state,
                    new DeepReadings.Work(title, "read the old module", List.of(module)),
                    who,
                    (now, reading) -> keepOld(now, module, reading, who));
            return Acted.done();
        });
    }

    private Acted keepOld(JobState state, PackModule module, DeepReading reading, String who) {
        boolean answers = requireNonNull(reading.modules().get(module.id())).answers();
        if (answers) deep.keep(state, reading, Purpose.OLD_PART, module.id(), who);
        String sentence = answers
                ? "The old " + module.lowerTitle() + " was read and is kept."
                : "The old " + module.lowerTitle() + " could not be read: it does not answer.";
        notes.put(state.job().id(), OldReadingStored.KIND, new OldReadingStored(answers, sentence), who);
        if (!answers)
            around.audit()
                    .record(
                            who,
                            "could not read the old module",
                            "job " + state.job().number(),
                            "");
        return Acted.done();
    }
}
