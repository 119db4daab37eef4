package codrane.app.stage.intake;

import codrane.app.notes.NoteKind;
import codrane.core.job.IntakeNotes;
import java.util.List;
import java.util.Optional;

/** What was noted at arrival, as it is stored. */
record IntakeStored(Optional<IntakeNotes.OldModule> oldModule, String variant, Details details) {
    static final NoteKind<IntakeStored> KIND = NoteKind.first("intake", IntakeStored.class);

    record Line(String what, String value, String source) {}

    record Details(
            Optional<IntakeNotes.PartState> partState,
            String earlier,
            String papersVin,
            Optional<Integer> mileage,
            String lights,
            int keysHere,
            int keysAll,
            String ownership,
            List<Line> identifiers) {}

    static IntakeStored of(IntakeNotes notes) {
        IntakeNotes.Details d = notes.details();
        return new IntakeStored(
                notes.oldModule(),
                notes.variant(),
                new Details(
                        d.partState(),
                        d.earlier(),
                        d.papersVin(),
                        d.mileage(),
                        d.lights(),
                        d.keysHere(),
                        d.keysAll(),
                        d.ownership(),
                        d.identifiers().stream()
                                .map(i -> new Line(i.what(), i.value(), i.source()))
                                .toList()));
    }

    IntakeNotes notes() {
        return new IntakeNotes(
                oldModule,
                variant,
                new IntakeNotes.Details(
                        details.partState(),
                        details.earlier(),
                        details.papersVin(),
                        details.mileage(),
                        details.lights(),
                        details.keysHere(),
                        details.keysAll(),
                        details.ownership(),
                        details.identifiers().stream()
                                .map(l -> new IntakeNotes.Identifier(l.what(), l.value(), l.source()))
                                .toList()));
    }
}
