package codrane.app.stage.run;

import codrane.app.stage.run.RunPiece.Lane;
import codrane.app.stage.run.RunPiece.Part;
import codrane.app.stage.run.RunPiece.Tasks;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.run.ProgrammingTimes;
import codrane.core.text.Words;
import codrane.core.timing.ProgrammingEstimate;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a run is made of, in its order.
 *
 * @param learned what programming took here before, by module
 */
record RunPieces(List<RunPiece> all, Map<String, List<ProgrammingTimes>> learned) {
    static RunPieces of(JobState state, Map<String, List<ProgrammingTimes>> learned) {
        List<RunPiece> pieces = new ArrayList<>();
        if (state.calibration().isPresent())
            pieces.add(new RunPiece(Lane.SERVICE, "File", "", 4, Tasks.NONE, Part.READS));
        pieces.add(new RunPiece(Lane.TECHNICIAN, "Key on", "", 3, Tasks.NONE, Part.READS));
        int task = 0;
        for (Operation operation : state.writes()) {
            Tasks tasks = new Tasks(task, tasks(state, operation));
            task += tasks.count();
            if (operation.kind() == Operation.Kind.PROGRAM) program(pieces, state, operation, tasks, learned);
            else pieces.add(piece(operation, tasks));
        }
        return new RunPieces(List.copyOf(pieces), learned);
    }

    /** Modules that a plan programs. */
    static Set<String> programmed(JobState state) {
        return state.writes().stream()
                .filter(o -> o.kind() == Operation.Kind.PROGRAM)
                .map(Operation::module)
                .collect(Collectors.toSet());
    }

    /** What can't be carried out yet is drawn as one task. */
    private static int tasks(JobState state, Operation operation) {
        return RunTasks.able(state, operation) ? RunTasks.count(state, operation) : 1;
    }

    private static RunPiece piece(Operation operation, Tasks tasks) {
        return switch (operation.kind()) {
            case WRITE_VIN -> write(Lane.LINK, "VIN", 3, operation, tasks);
            case WRITE_CODING -> write(Lane.LINK, "Coding", 4, operation, tasks);
            case RESET -> write(Lane.VEHICLE, "Restart", 4, operation, tasks);
            case CLEAR -> write(Lane.LINK, "Clear", 6, operation, tasks);
            case WRITE_ORDER -> write(Lane.LINK, "Order", 3, operation, tasks);
            case RELEARN -> write(Lane.VEHICLE, "Learn", operation.seconds(), operation, tasks);
            case INITIALISE -> write(Lane.VEHICLE, "Zero", operation.seconds(), operation, tasks);
            case CALIBRATE -> write(Lane.VEHICLE, "Aim", operation.seconds(), operation, tasks);
            case WRITE_LEARNED -> write(Lane.LINK, "Learned", 3, operation, tasks);
            case PAIR -> write(Lane.LINK, "Pair", operation.seconds(), operation, tasks);
            case ADD_KEY -> write(Lane.LINK, "Key", operation.seconds(), operation, tasks);
            default -> write(Lane.LINK, operation.title(), operation.seconds(), operation, tasks);
        };
    }

    private static RunPiece write(Lane lane, String label, double seconds, Operation operation, Tasks tasks) {
        return new RunPiece(lane, label, operation.title(), seconds, tasks, Part.WRITES);
    }

    private static void program(
            List<RunPiece> pieces,
            JobState state,
            Operation operation,
            Tasks tasks,
            Map<String, List<ProgrammingTimes>> learned) {
        PackModule module = state.pack().module(operation.module());
        ProgrammingEstimate estimate = ProgrammingTimes.corrected(
                ProgrammingSeconds.estimate(state.pack(), module.flash().orElseThrow()),
                learned.getOrDefault(module.id(), List.of()));
        String title = operation.title();
        pieces.add(new RunPiece(Lane.LINK, "Unlock", title, 2, tasks, Part.READS));
        pieces.add(new RunPiece(Lane.VEHICLE, "Erase", title, seconds(estimate.erase()), tasks, Part.ERASE));
        pieces.add(new RunPiece(
                Lane.LINK, estimate.blocks() + " blocks", title, seconds(estimate.transfer()), tasks, Part.TRANSFER));
        pieces.add(new RunPiece(Lane.VEHICLE, "Verify", title, seconds(estimate.verify()), tasks, Part.VERIFY));
        pieces.add(new RunPiece(Lane.VEHICLE, "Restart", title, 3, tasks, Part.WAKES));
    }

    private static double seconds(Duration duration) {
        return duration.toMillis() / 1000.0;
    }

    double seconds() {
        return all.stream().mapToDouble(RunPiece::seconds).sum();
    }

    /** How long it is expected to take, by what, and what of it takes longest. */
    String summary() {
        return "About " + Words.lasting(Math.round(seconds())) + basis() + longest();
    }

    private String basis() {
        if (learned.isEmpty()) return ".";
        int least = learned.values().stream().mapToInt(List::size).min().orElse(0);
        return switch (least) {
            case 0 -> "; programming counted by the pack: nothing like it was programmed here yet.";
            case 1 -> "; programming counted as it took here the last time.";
            default -> "; programming counted as it took here, the middle of " + least + " times.";
        };
    }

    /** Seconds before the first step on the wire. */
    double lead() {
        return all.stream()
                .takeWhile(p -> p.tasks().first() < 0)
                .mapToDouble(RunPiece::seconds)
                .sum();
    }

    private String longest() {
        List<String> programs = all.stream()
                .filter(p -> p.part() == Part.ERASE)
                .map(RunPiece::title)
                .toList();
        if (programs.size() < 2) return "";
        String title =
                programs.stream().max(Comparator.comparingDouble(this::of)).orElseThrow();
        return " Longest: " + title + ", " + Words.lasting(Math.round(of(title))) + ".";
    }

    private double of(String title) {
        return all.stream()
                .filter(p -> p.title().equals(title))
                .mapToDouble(RunPiece::seconds)
                .sum();
    }
}
