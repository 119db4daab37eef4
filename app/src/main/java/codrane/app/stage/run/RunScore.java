package codrane.app.stage.run;

import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.timing.ProgrammingEstimate;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** The picture of a run: what happens in which lane, drawn to the expected seconds. */
public record RunScore(List<Box> boxes, double committedFrom, double committedTo) {
    private static final double LEFT = 100;
    private static final double WIDTH = 890;
    private static final double NARROWEST = 34;
    private static final double GAP = 18;

    /** Who or what is at work, with where its lane lies in the picture. */
    public enum Lane {
        TECHNICIAN(26),
        VEHICLE(72),
        LINK(118),
        SERVICE(164);

        private final int y;

        Lane(int y) {
            this.y = y;
        }
    }

    /** What a piece of work is to the run: from erase to verify it can't be stopped. */
    private enum Part {
        READS,
        WRITES,
        ERASE,
        TRANSFER,
        VERIFY
    }

    /**
     * @param x left edge, in the picture's units
     * @param tasks of the run that it holds
     * @param transfer the box in which blocks are sent
     */
    public record Box(double x, int y, double width, String label, Tasks tasks, boolean transfer, boolean writes) {}

    /** @param first index of the run's first task within, or -1 */
    public record Tasks(int first, int count) {
        static final Tasks NONE = new Tasks(-1, 0);
    }

    /** A box before it is placed. */
    private record Piece(Lane lane, String label, double seconds, Tasks tasks, Part part) {}

    public RunScore {
        boxes = List.copyOf(boxes);
    }

    static RunScore of(JobState state) {
        List<Piece> pieces = new ArrayList<>();
        if (state.calibration().isPresent()) pieces.add(new Piece(Lane.SERVICE, "File", 4, Tasks.NONE, Part.READS));
        pieces.add(new Piece(Lane.TECHNICIAN, "Key on", 3, Tasks.NONE, Part.READS));
        int task = 0;
        for (Operation operation : state.writes()) {
            Tasks tasks = new Tasks(task, tasks(state, operation));
            task += tasks.count();
            if (operation.kind() == Operation.Kind.PROGRAM)
                program(pieces, state.pack(), state.pack().module(operation.module()), tasks);
            else pieces.add(piece(operation, tasks));
        }
        return place(pieces);
    }

    /** What can't be carried out yet is drawn as one task. */
    private static int tasks(JobState state, Operation operation) {
        return RunTasks.able(state, operation) ? RunTasks.count(state, operation) : 1;
    }

    private static Piece piece(Operation operation, Tasks tasks) {
        return switch (operation.kind()) {
            case WRITE_VIN -> new Piece(Lane.LINK, "VIN", 3, tasks, Part.WRITES);
            case WRITE_CODING -> new Piece(Lane.LINK, "Coding", 4, tasks, Part.WRITES);
            case RESET -> new Piece(Lane.VEHICLE, "Restart", 4, tasks, Part.WRITES);
            case CLEAR -> new Piece(Lane.LINK, "Clear", 6, tasks, Part.WRITES);
            case WRITE_ORDER -> new Piece(Lane.LINK, "Order", 3, tasks, Part.WRITES);
            case RELEARN -> new Piece(Lane.VEHICLE, "Learn", operation.seconds(), tasks, Part.WRITES);
            case INITIALISE -> new Piece(Lane.VEHICLE, "Zero", operation.seconds(), tasks, Part.WRITES);
            case CALIBRATE -> new Piece(Lane.VEHICLE, "Aim", operation.seconds(), tasks, Part.WRITES);
            case WRITE_LEARNED -> new Piece(Lane.LINK, "Learned", 3, tasks, Part.WRITES);
            case PAIR -> new Piece(Lane.LINK, "Pair", operation.seconds(), tasks, Part.WRITES);
            case ADD_KEY -> new Piece(Lane.LINK, "Key", operation.seconds(), tasks, Part.WRITES);
            default -> new Piece(Lane.LINK, operation.title(), operation.seconds(), tasks, Part.WRITES);
        };
    }

    private static void program(List<Piece> pieces, Pack pack, PackModule module, Tasks tasks) {
        ProgrammingEstimate estimate =
                ProgrammingSeconds.estimate(pack, module.flash().orElseThrow());
        pieces.add(new Piece(Lane.LINK, "Unlock", 2, tasks, Part.READS));
        pieces.add(new Piece(Lane.VEHICLE, "Erase", seconds(estimate.erase()), tasks, Part.ERASE));
        pieces.add(new Piece(
                Lane.LINK, estimate.blocks() + " blocks", seconds(estimate.transfer()), tasks, Part.TRANSFER));
        pieces.add(new Piece(Lane.VEHICLE, "Verify", seconds(estimate.verify()), tasks, Part.VERIFY));
        pieces.add(new Piece(Lane.VEHICLE, "Restart", 3, tasks, Part.READS));
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    private static RunScore place(List<Piece> pieces) {
        double total = pieces.stream().mapToDouble(Piece::seconds).sum();
        double least = NARROWEST + GAP;
        double free = WIDTH - pieces.size() * least;
        List<Box> boxes = new ArrayList<>();
        double x = LEFT;
        double from = 0;
        double to = 0;
        for (Piece piece : pieces) {
            double width = least + free * piece.seconds() / total;
            boxes.add(new Box(
                    x,
                    piece.lane().y,
                    width - 2,
                    piece.label(),
                    piece.tasks(),
                    piece.part() == Part.TRANSFER,
                    piece.part() != Part.READS));
            if (piece.part() == Part.ERASE && from == 0) from = x;
            if (piece.part() == Part.VERIFY && to == 0) to = x + width - 2;
            x += width;
        }
        return new RunScore(boxes, from, to);
    }
}
