package codrane.app.stage.identify;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.job.FaultNote;

/** The physical reason of a fault, as it is stored. */
record FaultStored(String module, String code, String note) {
    static final NoteKind<FaultStored> KIND = NoteKind.first("fault", FaultStored.class);

    static String subject(String module, String code) {
        return module + "/" + code;
    }

    static FaultNote note(Note.Read<FaultStored> read) {
        FaultStored stored = read.content();
        return new FaultNote(stored.module(), stored.code(), stored.note(), read.at(), read.who());
    }
}
