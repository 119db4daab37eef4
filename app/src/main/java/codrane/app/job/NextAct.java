package codrane.app.job;

import java.util.List;

/**
 * The one thing to do next on a job.
 *
 * @param stop whether it is safe to stop here, in a sentence
 */
public record NextAct(String title, String why, String stop, Tone tone, List<Act> acts) {
    /** What the act is about: each tone has a colour of its own, and the words say the same. */
    public enum Tone {
        DO("do"),
        PERSON("person"),
        WRITE("write"),
        DIFFERS("differs"),
        SETTLED("settled"),
        /** Nothing is to be done but to wait for something that was asked for. */
        WAITS("waits");

        private final String css;

        Tone(String css) {
            this.css = css;
        }

        public String css() {
            return css;
        }
    }

    /**
     * A button.
     *
     * @param path below the job's address
     * @param post false: it only leads there
     * @param primary the first choice; there is at most one
     * @param strong needs Ctrl+Enter from the keyboard: it writes, or keeps a hold point
     * @param reason a reason is asked for in place
     */
    public record Act(String label, String path, boolean post, boolean primary, boolean strong, boolean reason) {
        static Act go(String label, String path) {
            return new Act(label, path, false, true, false, false);
        }

        static Act read(String label, String path) {
            return new Act(label, path, true, true, false, false);
        }

        static Act keep(String label, String path) {
            return new Act(label, path, true, true, true, false);
        }

        static Act waive(String label, String path) {
            return new Act(label, path, true, false, false, true);
        }

        Act second() {
            return new Act(label, path, post, false, strong, reason);
        }
    }

    public NextAct {
        acts = List.copyOf(acts);
    }

    NextAct withActs(List<Act> allowed) {
        return new NextAct(title, why, stop, tone, allowed);
    }
}
