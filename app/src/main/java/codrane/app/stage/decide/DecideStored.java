package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;
import codrane.core.job.DecideNotes;
import codrane.core.job.DecideNotes.Since;
import codrane.core.plan.Aids;
import codrane.core.plan.Said.Proved;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What people said for the plan, as it is stored.
 *
 * @param swappedAt null, like what follows, in notes from before there was any
 */
record DecideStored(
        String wording,
        String fitted,
        String offered,
        List<String> features,
        List<String> codesOut,
        List<String> codesIn,
        Set<Aids.Settling> settled,
        @Nullable String swappedAt,
        @Nullable Proved proved,
        @Nullable String newerRight) {
    /**
     * At first it was only kept that newer software was right, and not which: that is asked again. Then only one kind of
     * equipment could be wanted.
     */
    static final NoteKind<DecideStored> KIND = new NoteKind<>("decide", DecideStored.class, 3, (was, content) -> {
        ObjectNode now = (ObjectNode) content;
        if (was == 1) now.remove("newerRight");
        String feature = now.path("feature").asString("");
        now.remove("feature");
        ArrayNode features = now.putArray("features");
        if (!feature.isEmpty()) features.add(feature);
        return now;
    });

    static DecideStored of(DecideNotes n) {
        return new DecideStored(
                n.wording(),
                n.fitted(),
                n.offered(),
                n.features(),
                n.codesOut(),
                n.codesIn(),
                n.settled(),
                n.since().swappedAt().map(Instant::toString).orElse(null),
                n.since().proved(),
                n.since().newerRight());
    }

    DecideNotes notes() {
        Since since = new Since(
                Optional.ofNullable(swappedAt).map(Instant::parse),
                Objects.requireNonNullElse(proved, Proved.NOT_YET),
                Objects.requireNonNullElse(newerRight, ""));
        return new DecideNotes(wording, fitted, offered, features, codesOut, codesIn, settled, since);
    }
}
