package codrane.core.job.act;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import java.util.List;

/**
 * The one thing to do next on a job.
 *
 * @param stop whether it is safe to stop here, in a sentence
 */
public record NextAct(String title, String why, String stop, Tone tone, List<Act> acts) {
    /** What the act is about: each tone has a colour of its own, and the words say the same. */
    public enum Tone {
        DO,
        PERSON,
        WRITE,
        DIFFERS,
        SETTLED,
        /** Nothing is to be done but to wait for something that was asked for. */
        WAITS
    }

    /**
     * A button.
     *
     * @param primary the first choice; there is at most one
     * @param strong needs Ctrl+Enter from the keyboard: it writes, or keeps a hold point
     * @param reason a reason is asked for in place
     */
    public record Act(String label, Deed deed, boolean primary, boolean strong, boolean reason) {
        public static Act go(String label, Stage stage) {
            return new Act(label, new Deed.Go(stage), true, false, false);
        }

        public static Act visit(String label, String page) {
            return new Act(label, new Deed.Visit(page), true, false, false);
        }

        /** Reads, asks or notes something. */
        public static Act simple(String label, Ask ask, String... arguments) {
            return new Act(label, new Deed.Do(ask, List.of(arguments)), true, false, false);
        }

        /** Writes to the vehicle. */
        public static Act strong(String label, Ask ask) {
            return new Act(label, new Deed.Do(ask, List.of()), true, true, false);
        }

        public static Act reasoned(String label, Ask ask) {
            return new Act(label, new Deed.Do(ask, List.of()), false, false, true);
        }

        public static Act keep(String label, HoldPoint point) {
            return new Act(label, new Deed.Keep(point), true, true, false);
        }

        public static Act waive(String label, HoldPoint point) {
            return new Act(label, new Deed.Waive(point), false, false, true);
        }

        public Act second() {
            return new Act(label, deed, false, strong, reason);
        }
    }

    public NextAct {
        acts = List.copyOf(acts);
    }

    public NextAct withActs(List<Act> allowed) {
        return new NextAct(title, why, stop, tone, allowed);
    }
}
