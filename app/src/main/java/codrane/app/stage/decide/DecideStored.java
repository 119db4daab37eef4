package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;
import codrane.core.job.DecideNotes;
import codrane.core.plan.Aids;
import java.util.List;
import java.util.Set;

/** What people said for the plan, as it is stored. */
record DecideStored(
        String wording,
        String fitted,
        String offered,
        String feature,
        List<String> codesOut,
        List<String> codesIn,
        Set<Aids.Settling> settled) {
    static final NoteKind<DecideStored> KIND = NoteKind.first("decide", DecideStored.class);

    static DecideStored of(DecideNotes n) {
        return new DecideStored(
                n.wording(), n.fitted(), n.offered(), n.feature(), n.codesOut(), n.codesIn(), n.settled());
    }

    DecideNotes notes() {
        return new DecideNotes(wording, fitted, offered, feature, codesOut, codesIn, settled);
    }
}
