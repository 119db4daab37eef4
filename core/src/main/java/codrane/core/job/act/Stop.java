package codrane.core.job.act;

import codrane.core.plan.Stage;
import java.util.Optional;

/**
 * Why an act is not done.
 *
 * @param sentence with what to do instead; nothing was changed
 * @param remedy stage at which what is missing can be got
 */
public record Stop(String sentence, Optional<Stage> remedy) {
    public static Optional<Stop> because(String sentence) {
        return Optional.of(new Stop(sentence, Optional.empty()));
    }

    public static Optional<Stop> unless(boolean fine, String sentence) {
        return fine ? Optional.empty() : because(sentence);
    }
}
