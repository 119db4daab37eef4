package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.core.coding.Layout;
import codrane.core.job.CodingAtHand;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.Scan;
import codrane.core.job.stage.DecideStage;
import codrane.core.octets.Bytes;
import codrane.core.plan.InstructionNote;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.scan.ModuleReading;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** A byte by its line, from an instruction that was found elsewhere. */
@Component
class LineActs {
    private final Acts acts;
    private final ChosenSettings chosen;
    private final Instructions instructions;

    LineActs(Acts acts, ChosenSettings chosen, Instructions instructions) {
        this.acts = acts;
        this.chosen = chosen;
        this.instructions = instructions;
    }

    /** One octet of one line, from an instruction found elsewhere, with what it says of itself. */
    public Acted line(long number, String text, InstructionNote.Typed typed, String who) {
        return acts.on(number, who, DecideStage.LINE, state -> {
            if (state.job().kind() != JobKind.CHANGE_LINE) return Acted.refused("This job changes no line.");
            if (PlanBasis.newest(state).isEmpty()) return Acted.refused("Scan first: what is there now is compared.");
            return switch (InstructionNote.read(text, typed)) {
                case InstructionNote.Read.Wrong(String sentence) -> Acted.refused(sentence);
                case InstructionNote.Read.Note(InstructionNote note) -> line(state, note, who);
            };
        });
    }

    private Acted line(JobState state, InstructionNote note, String who) {
        Scan scan = PlanBasis.newest(state).orElseThrow();
        Map<String, ModuleReading> readings = scan.readings();
        Optional<String> misfit = note.misfit(state.pack(), state.job().vin(), readings);
        if (misfit.isPresent()) return Acted.refused(misfit.get());
        return switch (note.line()
                .apply(
                        state.pack(scan),
                        module -> readings.getOrDefault(module, ModuleReading.silent(module))
                                .coding())) {
            case LineInstruction.Applied.Refused(String sentence) -> Acted.refused(sentence);
            case LineInstruction.Applied.Changed changed -> {
                Layout layout = state.pack(scan).layout(changed.block());
                Bytes before = CodingAtHand.chosen(state, readings).getOrDefault(layout.id(), changed.from());
                instructions.take(state, note, who);
                yield chosen.add(state, changed.beside(layout, before).chosen(), who);
            }
        };
    }
}
