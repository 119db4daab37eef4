package codrane.app.stage.settle;

import codrane.app.notes.NoteKind;

/** Whether the vehicle slept when it was watched, as it is stored. */
record SleepStored(boolean asleep, String sentence) {
    static final NoteKind<SleepStored> KIND = NoteKind.first("sleep", SleepStored.class);
}
