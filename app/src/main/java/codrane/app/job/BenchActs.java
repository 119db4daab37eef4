package codrane.app.job;

import codrane.app.tools.Tools;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Computer;
import codrane.app.vehicle.Interfaces;
import codrane.core.job.BenchCheck;
import codrane.core.job.BenchNotes;
import codrane.core.plan.Stage;
import codrane.core.tool.Check;
import codrane.core.tool.ToolReadiness;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The stage Bench: what is seen, what people note, and what the battery means. */
@Component
public class BenchActs {
    private final Acts acts;
    private final BenchNotesStore store;
    private final Tools tools;
    private final Interfaces interfaces;
    private final Computer computer;
    private final InstantSource time;

    BenchActs(
            Acts acts,
            BenchNotesStore store,
            Tools tools,
            Interfaces interfaces,
            Computer computer,
            InstantSource time) {
        this.acts = acts;
        this.store = store;
        this.tools = tools;
        this.interfaces = interfaces;
        this.computer = computer;
        this.time = time;
    }

    /** @param power absent until the battery was measured */
    public record BenchView(List<Check> tool, List<Check> computer, BenchNotes notes, Optional<PowerView> power) {}

    BenchView view(JobFacts facts) {
        BenchNotes notes = facts.benchNotes();
        return new BenchView(
                tool(facts, notes),
                computer.checks(notes.sleepOff(), notes.updatesOff()),
                notes,
                notes.battery().map(b -> PowerView.of(facts, b)));
    }

    private List<Check> tool(JobFacts facts, BenchNotes notes) {
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty())
            return List.of(Check.problem("Interface", "No interface on this computer speaks to this vehicle."));
        boolean wired = facts.needsCable();
        Tools.Wanted wanted = new Tools.Wanted(
                facts.pack(),
                facts.pack().cablesOf(facts.job().vin()),
                notes.cableSeen(),
                wired,
                facts.access().there());
        List<Check> checks = new ArrayList<>(ToolReadiness.judge(
                tools.facts(bench.get(), wanted, facts.bench().map(BenchCheck::at)), tools.today()));
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

    public Acted note(long number, BenchForm form, String who) {
        return acts.on(number, who, Stage.BENCH, "noted at Bench", facts -> {
            return switch (form.read()) {
                case BenchForm.Read.Wrong(String sentence) ->
                    new Acted.Refused(sentence + " Nothing was changed.", Optional.empty());
                case BenchForm.Read.Notes(BenchNotes notes) -> {
                    store.put(facts.job().id(), notes, time.instant(), who);
                    yield new Acted.Done(Optional.empty());
                }
            };
        });
    }
}
