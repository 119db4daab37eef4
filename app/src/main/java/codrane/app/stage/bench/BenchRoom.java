package codrane.app.stage.bench;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Computer;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Gathering;
import codrane.app.job.Readings;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.app.tools.CheckView;
import codrane.app.tools.Tools;
import codrane.core.job.BenchCheck;
import codrane.core.job.BenchNotes;
import codrane.core.job.Benched;
import codrane.core.job.Cable;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.Stranger;
import codrane.core.plan.Stage;
import codrane.core.tool.Check;
import codrane.core.tool.ToolReadiness;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** The room of Bench: what is seen, what people note, and what the battery means. */
@Component
class BenchRoom implements Room {
    private final Tools tools;
    private final Interfaces interfaces;
    private final Computer computer;

    BenchRoom(Tools tools, Interfaces interfaces, Computer computer) {
        this.tools = tools;
        this.interfaces = interfaces;
        this.computer = computer;
    }

    @Override
    public Stage stage() {
        return Stage.BENCH;
    }

    @Override
    public Map<Long, Benched> gather(Gathering asked) {
        return asked.each(a -> benched(asked, a.job()));
    }

    private static Benched benched(Gathering asked, Job job) {
        return new Benched(
                asked.note(job, CheckStored.KIND).map(CheckStored::check),
                asked.note(job, BenchStored.KIND)
                        .map(Note.Read::content)
                        .map(BenchStored::notes)
                        .orElse(BenchNotes.NONE),
                asked.note(job, OldReadingStored.KIND)
                        .map(Note.Read::content)
                        .map(old -> new Benched.OldReading(old.read(), old.sentence())),
                asked.note(job, Readings.STRANGER)
                        .map(n -> new Stranger(n.content().vin(), n.content().sentence(), n.at(), n.who())));
    }

    @Override
    public BenchView view(JobState state, Viewer viewer) {
        BenchNotes notes = state.benched().notes();
        List<Check> tool = tool(state, notes);
        List<Check> own = computer.checks(notes.sleepOff(), notes.updatesOff());
        return new BenchView(
                state.job().number(),
                rows(tool),
                rows(own),
                BenchView.holdsRun(state, Stream.concat(tool.stream(), own.stream())),
                BenchView.answered(state),
                notes.battery().map(b -> PowerView.of(state, b)),
                BenchForm.of(notes, state.pack().supply()),
                viewer.may(state.job().number(), "bench-notes"));
    }

    private static List<CheckView> rows(List<Check> checks) {
        return checks.stream().map(CheckView::of).toList();
    }

    private List<Check> tool(JobState state, BenchNotes notes) {
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        if (bench.isEmpty()) return List.of(Check.problem("Interface", BenchInterface.NONE_SPEAKS));
        Tools.Wanted wanted = new Tools.Wanted(
                state.pack(),
                state.pack().cablesOf(state.job().vin()),
                notes.cableSeen(),
                Cable.needed(state),
                state.access().there());
        List<Check> checks = new ArrayList<>(ToolReadiness.judge(
                tools.facts(bench.get(), wanted, state.linkCheck().map(BenchCheck::at)), tools.today()));
        checks.add(socket(bench.get(), notes));
        return checks;
    }

    private static Check socket(BenchInterface bench, BenchNotes notes) {
        Optional<String> second = notes.secondWriter();
        if (second.isPresent())
            return Check.problem(
                    "Socket",
                    second.get() + " would write beside " + bench.name()
                            + ": never two writers. Take it off, or let it listen.");
        return Check.good(
                "Socket",
                notes.others().isEmpty()
                        ? bench.name() + " alone; it writes."
                        : bench.name() + " writes; " + notes.others().getFirst().name() + " listens.");
    }
}
