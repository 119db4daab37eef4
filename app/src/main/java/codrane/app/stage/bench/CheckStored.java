package codrane.app.stage.bench;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.job.BenchCheck;
import java.util.Optional;

/** One answered request, as it is stored. */
record CheckStored(String interfaceName, String module, Optional<Double> volts) {
    static final NoteKind<CheckStored> KIND = NoteKind.first("bench-check", CheckStored.class);

    static BenchCheck check(Note.Read<CheckStored> note) {
        CheckStored stored = note.content();
        return new BenchCheck(stored.interfaceName(), stored.module(), stored.volts(), note.at(), note.who());
    }
}
