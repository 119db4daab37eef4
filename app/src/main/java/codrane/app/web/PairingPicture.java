package codrane.app.web;

import codrane.core.job.JobState;
import codrane.core.job.Pairing;
import codrane.core.job.Pairing.Member;
import codrane.core.job.Pairing.State;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The keeper of the immobiliser's secret and the modules that must know it: a line to each that is paired.
 *
 * @param label what it shows, read aloud
 */
public record PairingPicture(int height, Box keeper, List<Box> members, String label) {
    private static final int PITCH = 52;
    private static final int BOX = 44;

    /**
     * @param css how its line is drawn; empty when there is none
     * @param says what it told, in words
     */
    public record Box(int y, String title, String says, String css) {
        public int middle() {
            return y + BOX / 2;
        }
    }

    /** As a scan found it; empty when the job's module has nothing to do with the secret. */
    public static Optional<PairingPicture> of(JobState state, Scan scan) {
        return PlanFacts.touchesImmobiliser(state)
                ? Pairing.of(state.pack(scan), scan.readings()).map(PairingPicture::of)
                : Optional.empty();
    }

    public static PairingPicture of(Pairing pairing) {
        int rows = Math.max(1, pairing.members().size());
        List<Box> members = new ArrayList<>();
        for (Member member : pairing.members())
            members.add(new Box(
                    1 + members.size() * PITCH,
                    member.module().title(),
                    member.state().words(),
                    css(member.state())));
        Box keeper =
                new Box(1 + (rows - 1) * PITCH / 2, pairing.keeper().module().title(), keeper(pairing), "");
        String label = Stream.concat(Stream.of(keeper), members.stream())
                .map(box -> box.title() + ": " + box.says())
                .collect(Collectors.joining("; "));
        return new PairingPicture(rows * PITCH - PITCH + BOX + 2, keeper, members, label);
    }

    private static String keeper(Pairing pairing) {
        State state = pairing.keeper().state();
        if (state == State.SILENT || state == State.NOT_TOLD) return state.words();
        String keys = pairing.keys().map(n -> Words.count(n, "key")).orElse("");
        return "knows " + keys + (pairing.waits() > 0 ? ", takes no code for " + Words.lasting(pairing.waits()) : "");
    }

    private static String css(State state) {
        return switch (state) {
            case PAIRED -> "looked";
            case NOT_PAIRED -> "writes dash";
            case NOT_TOLD, SILENT -> "";
        };
    }
}
