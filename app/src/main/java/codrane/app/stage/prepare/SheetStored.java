package codrane.app.stage.prepare;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.job.SheetText;

/** A line sheet at hand, as it is stored: its subject is the module. */
record SheetStored(String source, String content) {
    static final NoteKind<SheetStored> KIND = NoteKind.first("sheet", SheetStored.class);

    static SheetText sheet(Note.Read<SheetStored> note) {
        return new SheetText(
                note.subject(), note.content().source(), note.content().content(), note.at(), note.who());
    }
}
