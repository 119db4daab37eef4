package codrane.app.stage.run;

import codrane.core.run.ProgrammingTimes;
import codrane.core.run.ProgrammingTimes.Stretch;
import codrane.core.run.StepTime;
import java.util.Optional;

/**
 * A piece of work of a run.
 *
 * @param label short, for the picture
 * @param title of the operation that it belongs to; empty for what nobody releases
 * @param seconds that it is expected to take
 */
record RunPiece(Lane lane, String label, String title, double seconds, Tasks tasks, Part part) {
    /** Who or what is at work, with where its lane lies in the picture. */
    enum Lane {
        TECHNICIAN(26),
        VEHICLE(72),
        LINK(118),
        SERVICE(164);

        private final int y;

        Lane(int y) {
            this.y = y;
        }

        int y() {
            return y;
        }
    }

    /** What a piece of work is to the run: from erase to verify it can't be stopped. */
    enum Part {
        READS,
        WRITES,
        ERASE,
        TRANSFER,
        VERIFY,
        /** After it was verified. */
        WAKES;

        private static Part of(Stretch stretch) {
            return switch (stretch) {
                case ERASE -> ERASE;
                case TRANSFER -> TRANSFER;
                case VERIFY -> VERIFY;
            };
        }

        boolean writes() {
            return this != READS && this != WAKES;
        }
    }

    /** @param first index of the run's first task within, or -1 */
    public record Tasks(int first, int count) {
        static final Tasks NONE = new Tasks(-1, 0);

        boolean has(int task) {
            return first >= 0 && task >= first && task < first + count;
        }
    }

    /** @param verified whether the module has checked itself by then */
    boolean holds(StepTime step, boolean verified) {
        if (!tasks.has(step.task())) return false;
        if (part == Part.WRITES) return true;
        Optional<Part> of = ProgrammingTimes.stretch(step.purpose()).map(Part::of);
        return of.orElse(verified ? Part.WAKES : Part.READS) == part;
    }
}
