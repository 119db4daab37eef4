package codrane.app.job;

import codrane.core.job.act.Stop;
import codrane.core.plan.Stage;
import java.util.Optional;

/** What became of an act. */
public sealed interface Acted {
    /** @param led where it leads, when that is another stage than usual */
    record Done(Optional<Stage> led) implements Acted {}

    /**
     * @param sentence why not, and what to do; nothing was changed
     * @param remedy stage at which what is missing can be got
     */
    record Refused(String sentence, Optional<Stage> remedy) implements Acted {}

    static Acted done() {
        return new Done(Optional.empty());
    }

    static Acted refused(String sentence) {
        return new Refused(sentence, Optional.empty());
    }

    static Acted refused(Stop stop) {
        return new Refused(stop.sentence(), stop.remedy());
    }
}
