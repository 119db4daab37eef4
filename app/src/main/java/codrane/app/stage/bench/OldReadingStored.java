package codrane.app.stage.bench;

import codrane.app.notes.NoteKind;

/** What became of reading the old module, as it is stored. */
record OldReadingStored(boolean read, String sentence) {
    static final NoteKind<OldReadingStored> KIND = NoteKind.first("old-reading", OldReadingStored.class);
}
