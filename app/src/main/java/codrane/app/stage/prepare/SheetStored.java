package codrane.app.stage.prepare;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.job.SheetText;
import java.time.LocalDate;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A line sheet at hand, as it is stored: its subject is the module. */
record SheetStored(String source, String content, Optional<LocalDate> day) {
    static final NoteKind<SheetStored> KIND = new NoteKind<>("sheet", SheetStored.class, 2, SheetStored::upcast);

    /** Before, nobody said of which day a sheet was. */
    private static JsonNode upcast(int was, JsonNode stored) {
        return ((ObjectNode) stored).putNull("day");
    }

    static SheetText sheet(Note.Read<SheetStored> note) {
        return new SheetText(
                note.subject(),
                note.content().source(),
                note.content().content(),
                note.content().day(),
                note.at(),
                note.who());
    }
}
