package codrane.app.job;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.timing.ProgrammingEstimate;
import java.util.ArrayList;
import java.util.List;

/** The picture of a run: what happens in which lane, drawn to the expected seconds. */
public record RunScore(List<Box> boxes, double committedFrom, double committedTo) {
    private static final double LEFT = 100;
    private static final double WIDTH = 890;
    private static final double NARROWEST = 34;

    /** Who or what is at work. */
    public enum Lane {
        TECHNICIAN,
        VEHICLE,
        LINK,
        SERVICE
    }

    /**
     * @param x left edge, in the picture's units
     * @param firstTask index of the run's first task within, or -1
     * @param tasks how many tasks of the run it holds
     * @param transfer the box in which blocks are sent
     */
    public record Box(
            Lane lane,
            String label,
            double x,
            double width,
            int firstTask,
            int tasks,
            boolean transfer,
            boolean writes) {
        public int y() {
            return switch (lane) {
                case TECHNICIAN -> 26;
                case VEHICLE -> 72;
                case LINK -> 118;
                case SERVICE -> 164;
            };
        }
    }

    /** A box before it is placed. */
    private record Piece(
            Lane lane, String label, double seconds, int firstTask, int tasks, boolean transfer, boolean writes) {}

    public RunScore {
        boxes = List.copyOf(boxes);
    }

    static RunScore of(JobFacts facts, Plan plan) {
        List<Piece> pieces = new ArrayList<>();
        if (facts.calibration().isPresent()) pieces.add(new Piece(Lane.SERVICE, "File", 4, -1, 0, false, false));
        pieces.add(new Piece(Lane.TECHNICIAN, "Key on", 3, -1, 0, false, false));
        int task = 0;
        for (Operation operation : plan.writes().toList()) task = add(pieces, facts, operation, task);
        return place(pieces);
    }

    private static int add(List<Piece> pieces, JobFacts facts, Operation operation, int task) {
        return switch (operation.kind()) {
            case PROGRAM -> {
                program(pieces, facts.pack(), facts.pack().module(operation.module()), task);
                yield task + 1;
            }
            case WRITE_VIN -> add(pieces, Lane.LINK, "VIN", 3, task, 1);
            case WRITE_CODING ->
                add(
                        pieces,
                        Lane.LINK,
                        "Coding",
                        4,
                        task,
                        facts.pack().module(operation.module()).blocks().size());
            case RESET -> add(pieces, Lane.VEHICLE, "Restart", 4, task, 1);
            case CLEAR ->
                add(
                        pieces,
                        Lane.LINK,
                        "Clear faults",
                        6,
                        task,
                        facts.pack().modules().size());
            case WRITE_ORDER, PAIR, ADD_KEY -> add(pieces, Lane.LINK, operation.title(), operation.seconds(), task, 1);
            case RELEARN, INITIALISE, CALIBRATE ->
                add(pieces, Lane.VEHICLE, operation.title(), operation.seconds(), task, 1);
            case SET_UP,
                    SCAN,
                    READ_CODING,
                    BASELINE,
                    UNLOCK,
                    DERIVE_CODING,
                    SLEEP,
                    BATTERY_OFF,
                    PROVE,
                    FUNCTION_TEST,
                    DRIVE -> task;
        };
    }

    private static int add(List<Piece> pieces, Lane lane, String label, double seconds, int task, int tasks) {
        pieces.add(new Piece(lane, label, seconds, task, tasks, false, true));
        return task + tasks;
    }

    private static void program(List<Piece> pieces, Pack pack, PackModule module, int task) {
        ProgrammingEstimate estimate =
                ProgrammingSeconds.estimate(pack, module.flash().orElseThrow());
        pieces.add(new Piece(Lane.LINK, "Unlock", 2, task, 1, false, false));
        pieces.add(new Piece(Lane.VEHICLE, "Erase", estimate.erase().toMillis() / 1000.0, task, 1, false, true));
        pieces.add(new Piece(
                Lane.LINK,
                estimate.blocks() + " blocks",
                estimate.transfer().toMillis() / 1000.0,
                task,
                1,
                true,
                true));
        pieces.add(new Piece(Lane.VEHICLE, "Verify", estimate.verify().toMillis() / 1000.0, task, 1, false, true));
        pieces.add(new Piece(Lane.VEHICLE, "Restart", 3, task, 1, false, false));
    }

    private static RunScore place(List<Piece> pieces) {
        double total = pieces.stream().mapToDouble(Piece::seconds).sum();
        double free = WIDTH - pieces.size() * (NARROWEST + 18);
        List<Box> boxes = new ArrayList<>();
        double x = LEFT;
        for (Piece piece : pieces) {
            double least = NARROWEST + 18;
            double width = least + free * piece.seconds() / total;
            boxes.add(new Box(
                    piece.lane(),
                    piece.label(),
                    x,
                    width - 2,
                    piece.firstTask(),
                    piece.tasks(),
                    piece.transfer(),
                    piece.writes()));
            x += width;
        }
        double from = boxes.stream()
                .filter(b -> b.label().equals("Erase"))
                .mapToDouble(Box::x)
                .findFirst()
                .orElse(0);
        double to = boxes.stream()
                .filter(b -> b.label().equals("Verify"))
                .mapToDouble(b -> b.x() + b.width())
                .findFirst()
                .orElse(0);
        return new RunScore(boxes, from, to);
    }
}
