package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.core.coding.LineSheet;
import codrane.core.coding.TypedLines;
import codrane.core.job.JobState;
import codrane.core.job.JudgedSheet;
import codrane.core.job.SheetText;
import codrane.core.job.stage.PrepareStage;
import codrane.core.pack.PackModule;
import codrane.core.text.Words;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The maker's record of how a vehicle was coded: fetched or pasted, and judged before it is taken. */
@Component
public class SheetActs {
    private final Acts acts;
    private final Notes notes;
    private final MakerServiceClient service;
    private final AuditTrail audit;
    private final InstantSource time;

    SheetActs(Acts acts, Notes notes, MakerServiceClient service, AuditTrail audit, InstantSource time) {
        this.acts = acts;
        this.notes = notes;
        this.service = service;
        this.audit = audit;
        this.time = time;
    }

    public Acted fetch(long number, String who) {
        return acts.asking(number, who, PrepareStage.FETCH_SHEET, state -> Optional.empty(), asked -> {
            try {
                String module = asked.job().replacedModule().orElseThrow();
                String text =
                        service.lineSheet(asked.pack(), module, asked.job().vin());
                return state -> take(state, "service of " + state.pack().maker(), text, Optional.empty(), who);
            } catch (ServiceException e) {
                return state -> Acted.refused(Words.said(e));
            }
        });
    }

    /**
     * @param second the same once more, typed by the same or by another person; empty when it was typed once
     * @param day that stands on it, as a form sends it; empty when it was not said
     */
    public Acted paste(long number, String text, String second, String day, String who) {
        return acts.on(number, who, PrepareStage.PASTE_SHEET, state -> {
            Optional<String> differs = second.isBlank() ? Optional.empty() : difference(state, text, second);
            if (differs.isPresent()) return Acted.refused("The sheet is not taken. " + differs.get());
            try {
                Optional<LocalDate> of = day.isBlank() ? Optional.empty() : Optional.of(LocalDate.parse(day.strip()));
                return take(state, second.isBlank() ? "pasted" : "typed twice", text, of, who);
            } catch (DateTimeParseException e) {
                return Acted.refused(
                        "The sheet's day is a day of the calendar, as 2026-11-27. The sheet is not taken.");
            }
        });
    }

    /** Empty, too, when the first entry is no good one: it is judged by itself. */
    private static Optional<String> difference(JobState state, String text, String second) {
        PackModule module = state.replaced().orElseThrow();
        int octets = state.packWritten().codingOctets(module);
        LineSheet.Sheet first = LineSheet.parse(text, module.tag(), octets);
        return first.good()
                ? LineSheet.difference(first, LineSheet.parse(second, module.tag(), octets))
                : Optional.empty();
    }

    /** What is typed, as far as it is: nothing is kept. Empty when the job replaces no module. */
    TypedLines judge(JobState state, String text) {
        PackModule module = state.replaced().orElseThrow();
        return TypedLines.of(text, module.tag(), state.packWritten().codingOctets(module));
    }

    private Acted take(JobState state, String source, String text, Optional<LocalDate> day, String who) {
        PackModule module = state.replaced().orElseThrow();
        SheetText sheet = new SheetText(module.id(), source, text, day, time.instant(), who);
        JudgedSheet judged =
                JudgedSheet.of(state.packWritten(), module, state.job().vin(), sheet);
        if (!judged.good()) return Acted.refused("The sheet is not taken. " + String.join(" ", judged.troubles()));
        notes.put(state.job().id(), SheetStored.KIND, module.id(), new SheetStored(source, text, day), who);
        audit.record(who, "took a line sheet", "job " + state.job().number(), source);
        return Acted.done();
    }
}
