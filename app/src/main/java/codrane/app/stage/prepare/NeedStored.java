package codrane.app.stage.prepare;

import codrane.app.notes.NoteKind;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.util.Optional;

/**
 * What was noted about a need, as it is stored: its subject is the need's key.
 *
 * @param due as ISO 8601 has it; empty when it is here
 */
record NeedStored(boolean here, String due, String detail) {
    static final NoteKind<NeedStored> KIND = NoteKind.first("need", NeedStored.class);

    static NeedStored of(Noted noted) {
        return new NeedStored(noted.here(), noted.due().map(Instant::toString).orElse(""), noted.detail());
    }

    Noted noted() {
        return new Noted(here, Optional.of(due).filter(d -> !d.isEmpty()).map(Instant::parse), detail);
    }
}
