package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;

/** A judgement call that was overruled for one job, as it is stored: its subject is the question. */
record OverruleStored(String answer, String reason) {
    static final NoteKind<OverruleStored> KIND = NoteKind.first("overrule", OverruleStored.class);
}
