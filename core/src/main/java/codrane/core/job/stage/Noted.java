package codrane.core.job.stage;

import codrane.core.job.HoldNote;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import java.util.Optional;

/** Who kept or waived a hold point, when, and why it was waived. */
final class Noted {
    private Noted() {}

    /** @param kept as in "Consent was given" */
    static Optional<String> by(JobState state, HoldPoint point, String kept) {
        return state.personHold(point)
                .map(h -> h.waived()
                        ? "Waived by " + when(state, h) + ": " + ended(h.why())
                        : kept + ", as " + h.who() + " noted, " + state.now().dayAndTime(h.at()) + ".");
    }

    private static String when(JobState state, HoldNote note) {
        return note.who() + ", " + state.now().dayAndTime(note.at());
    }

    /** A person's reason may end as a sentence already. */
    private static String ended(String why) {
        return why.matches("(?s).*[.!?]") ? why : why + ".";
    }
}
