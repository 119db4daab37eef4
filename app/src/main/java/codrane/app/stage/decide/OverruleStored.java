package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;
import org.jspecify.annotations.Nullable;

/**
 * A judgement call that was overruled for one job, as it is stored: its subject is the question.
 *
 * @param about part number for which it was said; null for what is about no number, and from before it was kept
 */
record OverruleStored(
        String answer, String reason, @Nullable String about) {
    static final NoteKind<OverruleStored> KIND = NoteKind.first("overrule", OverruleStored.class);
}
