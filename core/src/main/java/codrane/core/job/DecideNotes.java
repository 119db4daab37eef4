package codrane.core.job;

import codrane.core.plan.Aids;
import codrane.core.plan.Said.Proved;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What people said for the plan. Text is empty when nothing was said.
 *
 * @param wording of the service information
 * @param fitted part number of the old part
 * @param offered part number on the new part's label
 * @param features to be enabled, by their ids
 * @param codesOut of the vehicle order
 * @param codesIn of the vehicle order
 * @param settled what was tried already to calm the vehicle down
 * @param since what was seen since the job began
 */
public record DecideNotes(
        String wording,
        String fitted,
        String offered,
        List<String> features,
        List<String> codesOut,
        List<String> codesIn,
        Set<Aids.Settling> settled,
        Since since) {
    public static final DecideNotes NONE =
            new DecideNotes("", "", "", List.of(), List.of(), List.of(), Set.of(), Since.NOTHING);

    /**
     * @param swappedAt when the new part was put in, or mounted
     * @param proved what came of trying the function
     * @param newerRight software version that is newer than any that is known, and was said to be right; empty when none was
     */
    public record Since(Optional<Instant> swappedAt, Proved proved, String newerRight) {
        public static final Since NOTHING = new Since(Optional.empty(), Proved.NOT_YET, "");
    }

    public DecideNotes {
        features = List.copyOf(features);
        codesOut = List.copyOf(codesOut);
        codesIn = List.copyOf(codesIn);
        settled = Set.copyOf(settled);
    }

    public DecideNotes withPart(String fittedNumber, String offeredNumber) {
        return new DecideNotes(wording, fittedNumber, offeredNumber, features, codesOut, codesIn, settled, since);
    }

    public DecideNotes withWording(String text) {
        return new DecideNotes(text, fitted, offered, features, codesOut, codesIn, settled, since);
    }

    public DecideNotes withFeatures(List<String> ids) {
        return new DecideNotes(wording, fitted, offered, ids, codesOut, codesIn, settled, since);
    }

    public DecideNotes withCodes(List<String> out, List<String> in) {
        return new DecideNotes(wording, fitted, offered, features, out, in, settled, since);
    }

    /** The new part is in its place since then. */
    public DecideNotes swapped(Instant at) {
        return with(new Since(Optional.of(at), since.proved(), since.newerRight()));
    }

    public DecideNotes with(Proved found) {
        return with(new Since(since.swappedAt(), found, since.newerRight()));
    }

    /** @param version that was asked about */
    public DecideNotes newerIsRight(String version) {
        return with(new Since(since.swappedAt(), since.proved(), version));
    }

    /** One more means was tried to calm the vehicle down. */
    public DecideNotes tried(Aids.Settling rung) {
        EnumSet<Aids.Settling> all = EnumSet.of(rung);
        all.addAll(settled);
        return new DecideNotes(wording, fitted, offered, features, codesOut, codesIn, all, since);
    }

    private DecideNotes with(Since other) {
        return new DecideNotes(wording, fitted, offered, features, codesOut, codesIn, settled, other);
    }
}
