package codrane.app.stage.decide;

import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.plan.InstructionNote;
import codrane.core.plan.LineInstruction;
import codrane.core.plan.SettingChange;
import codrane.core.scan.ModuleReading;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Instructions that this workshop followed on this model.
 *
 * @param taken what this job took, each with its source, as sentences
 */
public record InstructionsView(List<Line> known, List<String> taken) {
    /**
     * @param forWhat software and model years, in words; empty when it does not say
     * @param came what came of it here, in words
     * @param does what it does in this vehicle, or why it is not for it
     * @param fits whether it can be taken
     */
    public record Line(InstructionsStored.One one, String forWhat, String came, String does, boolean fits) {}

    static InstructionsView of(JobState state, Scan scan, List<Instructions.Known> known) {
        return new InstructionsView(
                known.stream().map(k -> line(state, scan, k)).toList(),
                state.decided().instructions().stream()
                        .filter(note -> !note.source().isEmpty())
                        .map(note -> note.line().text() + ": " + note.source())
                        .toList());
    }

    private static Line line(JobState state, Scan scan, Instructions.Known known) {
        InstructionsStored.One one = known.one();
        Optional<InstructionNote> note =
                InstructionNote.read(one.line(), one.typed()) instanceof InstructionNote.Read.Note(InstructionNote read)
                        ? Optional.of(read)
                        : Optional.empty();
        Optional<String> misfit =
                note.flatMap(n -> n.misfit(state.pack(), state.job().vin(), scan.readings()));
        LineInstruction.Applied applied = note.map(n -> applied(state, scan, n.line()))
                .orElseGet(() -> new LineInstruction.Applied.Refused("It can't be read any more."));
        boolean fits = misfit.isEmpty() && applied instanceof LineInstruction.Applied.Changed;
        String software = one.software().isEmpty() ? "" : "software " + one.software();
        String years = one.years().isEmpty() ? "" : "model year " + one.years();
        return new Line(
                one,
                software + (software.isEmpty() || years.isEmpty() ? "" : ", ") + years,
                came(known),
                misfit.orElseGet(() -> does(state, scan, applied)),
                fits);
    }

    private static LineInstruction.Applied applied(JobState state, Scan scan, LineInstruction line) {
        return line.apply(
                state.pack(scan),
                module -> scan.readings()
                        .getOrDefault(module, ModuleReading.silent(module))
                        .coding());
    }

    private static String does(JobState state, Scan scan, LineInstruction.Applied applied) {
        return switch (applied) {
            case LineInstruction.Applied.Refused(String sentence) -> sentence;
            case LineInstruction.Applied.Changed changed ->
                SettingChange.of(state.pack(scan), scan.readings(), changed.chosen()).parts(state.pack(scan)).stream()
                        .map(part -> part.title() + ": " + part.from() + " → " + part.to())
                        .collect(Collectors.joining("; "));
        };
    }

    private static String came(Instructions.Known known) {
        if (known.worked().isEmpty() && known.failed().isEmpty()) return "nobody said yet";
        String worked = known.worked().isEmpty() ? "" : "worked in job " + numbers(known.worked());
        String failed = known.failed().isEmpty() ? "" : "did not help in job " + numbers(known.failed());
        return worked + (worked.isEmpty() || failed.isEmpty() ? "" : "; ") + failed;
    }

    private static String numbers(List<Long> jobs) {
        return jobs.stream().map(String::valueOf).collect(Collectors.joining(", "));
    }
}
