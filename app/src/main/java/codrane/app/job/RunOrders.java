package codrane.app.job;

import codrane.app.live.RunOrder;
import codrane.app.shelf.Shelf;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.ReadResult;
import codrane.core.coding.Layout;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JudgedSheet;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.power.PowerWindow;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Turns a job's plan and what is at hand into tasks. The same facts give the same tasks, so that a run can be recovered. */
@Component
class RunOrders {
    /** Kinds of operations that are planned, and for which there are no tasks yet. */
    private static final Set<Operation.Kind> NOT_YET = EnumSet.of(
            Operation.Kind.WRITE_ORDER,
            Operation.Kind.PAIR,
            Operation.Kind.ADD_KEY,
            Operation.Kind.RELEARN,
            Operation.Kind.INITIALISE,
            Operation.Kind.CALIBRATE);

    private final Interfaces interfaces;
    private final Shelf shelf;

    RunOrders(Interfaces interfaces, Shelf shelf) {
        this.interfaces = interfaces;
        this.shelf = shelf;
    }

    sealed interface Built {
        record Order(RunOrder order) implements Built {}

        record Missing(String sentence) implements Built {}
    }

    Built build(JobFacts facts, String who) {
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty()) return new Built.Missing("No interface on this computer speaks to this vehicle.");
        if (facts.plan().isEmpty() || facts.before().isEmpty()) return new Built.Missing("There is no plan yet.");
        MemoryImage image = new MemoryImage();
        if (facts.planHas(Operation.Kind.PROGRAM)) {
            Optional<CalibrationFile> file = checkedFile(facts);
            if (file.isEmpty())
                return new Built.Missing("The calibration at hand is damaged or does not fit: fetch it again.");
            image = file.get().image();
        }
        List<String> unable = unable(facts);
        if (!unable.isEmpty())
            return new Built.Missing("Codrane can't carry out yet: " + String.join("; ", unable)
                    + ". What is not carried out whole is not begun.");
        Optional<Operation> empty = facts.plan()
                .get()
                .plan()
                .writes()
                .filter(o -> o.kind() == Operation.Kind.WRITE_CODING)
                .filter(o -> facts.codingOf(o).map(Map::isEmpty).orElse(true))
                .findFirst();
        if (empty.isPresent())
            return new Built.Missing("\"" + empty.get().title()
                    + "\" has nothing to write: its source is not here. Plan again, or take another source.");
        if (facts.planHolds(HoldPoint.SHEET_CHECKED)
                && !facts.sheet().map(JudgedSheet::good).orElse(false)) {
            return new Built.Missing("The line sheet is not good.");
        }
        boolean allChosen = facts.putBack().stream()
                .allMatch(p ->
                        facts.putBackBlocks(facts.before().get().readings()).containsKey(p.layout()));
        if (!allChosen) return new Built.Missing("A chosen setting can't be put into its block: compare again.");
        Job job = facts.job();
        RunOrder.Subject subject = new RunOrder.Subject(
                job.id(), job.number(), job.vehicleId(), facts.plan().get().id(), who);
        return new Built.Order(new RunOrder(
                subject,
                facts.pack(),
                bench.get(),
                tasks(facts, image),
                image,
                facts.before().get().readings(),
                facts.gateway()));
    }

    /** Writes of the plan that its run has not done yet; all of them while there is none. */
    static List<Operation> left(JobFacts facts) {
        if (facts.plan().isEmpty()) return List.of();
        List<Operation> writes = facts.plan().get().plan().writes().toList();
        int done = facts.run().map(JobRun::taskIndex).orElse(0);
        if (done == 0 || !unable(facts).isEmpty()) return writes;
        List<Operation> left = new ArrayList<>();
        int end = 0;
        for (Operation write : writes) {
            end += count(facts, write);
            if (end > done) left.add(write);
        }
        return left;
    }

    private static int count(JobFacts facts, Operation operation) {
        return operation.kind() == Operation.Kind.PROGRAM
                ? 1
                : tasks(facts, operation, new MemoryImage()).size();
    }

    /** Titles of planned operations that this version plans, and can't carry out yet. */
    static List<String> unable(JobFacts facts) {
        if (facts.plan().isEmpty()) return List.of();
        return facts.plan()
                .get()
                .plan()
                .writes()
                .filter(o -> !able(facts, o))
                .map(Operation::title)
                .toList();
    }

    static boolean able(JobFacts facts, Operation operation) {
        if (NOT_YET.contains(operation.kind())) return false;
        if (operation.kind() == Operation.Kind.PROGRAM)
            return facts.job().replacedModule().equals(Optional.of(operation.module()));
        if (operation.kind() == Operation.Kind.WRITE_VIN)
            return facts.pack()
                    .module(operation.module())
                    .traits()
                    .learnsVinFrom()
                    .isEmpty();
        if (operation.kind() != Operation.Kind.WRITE_CODING) return true;
        return operation.holds().contains(HoldPoint.SHEET_CHECKED)
                || operation.holds().contains(HoldPoint.OLD_MODULE_READ)
                || facts.job().kind().about() == JobKind.About.SETTINGS
                || facts.writesBack(operation);
    }

    /** The file is read and checked again at each start: what is stored is not believed either. */
    private Optional<CalibrationFile> checkedFile(JobFacts facts) {
        Optional<byte[]> content = facts.calibration().flatMap(shelf::content);
        boolean usable = content.flatMap(facts::calibrationCheck)
                .map(CalibrationCheck::usable)
                .orElse(false);
        if (!usable || !(CalibrationFile.read(content.get()) instanceof ReadResult.Read(CalibrationFile file)))
            return Optional.empty();
        PackModule.Range segment =
                facts.replaced().orElseThrow().flash().orElseThrow().segment();
        List<MemoryImage.Segment> expected = List.of(new MemoryImage.Segment(segment.start(), segment.length()));
        return file.segments().equals(expected) ? Optional.of(file) : Optional.empty();
    }

    private static List<RunTask> tasks(JobFacts facts, MemoryImage image) {
        List<RunTask> tasks = new ArrayList<>();
        facts.plan().orElseThrow().plan().writes().forEach(operation -> tasks.addAll(tasks(facts, operation, image)));
        return tasks;
    }

    private static List<RunTask> tasks(JobFacts facts, Operation operation, MemoryImage image) {
        PowerWindow coding =
                PowerWindow.coding(PowerWindow.upperLimit(facts.pack().supply().chemistry()));
        return switch (operation.kind()) {
            case PROGRAM -> List.of(program(facts, image));
            case WRITE_VIN -> {
                PackModule module = facts.pack().module(operation.module());
                Bytes vin = Bytes.ascii(facts.job().vin().text());
                yield List.of(new RunTask.Write(module, module.did(Ident.VIN), vin, coding, "Write the VIN"));
            }
            case WRITE_CODING -> coding(facts, operation, coding);
            case RESET -> List.of(new RunTask.Restart(facts.pack().module(operation.module()), operation.title()));
            case CLEAR -> clear(facts);
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
                    DRIVE -> List.of();
            case WRITE_ORDER, PAIR, ADD_KEY, RELEARN, INITIALISE, CALIBRATE ->
                throw new IllegalStateException(operation.key() + " can't be carried out yet");
        };
    }

    private static RunTask program(JobFacts facts, MemoryImage image) {
        PackModule module = facts.replaced().orElseThrow();
        MemoryImage.Segment segment = image.segments().getFirst();
        String after = facts.calibration().orElseThrow().manifest().softwareAfter();
        return new RunTask.Program(
                module,
                segment.start(),
                (int) segment.length(),
                image.crc32(),
                after,
                facts.window(),
                "Program the " + module.lowerTitle() + " to " + after);
    }

    private static List<RunTask> coding(JobFacts facts, Operation operation, PowerWindow window) {
        PackModule module = facts.pack().module(operation.module());
        List<RunTask> tasks = new ArrayList<>();
        Map<String, Bytes> blocks = facts.codingOf(operation).orElseThrow();
        for (Layout layout : facts.pack().blocksOf(module)) {
            Bytes block = blocks.get(layout.id());
            if (block == null) continue; // nothing of this block was chosen
            tasks.add(new RunTask.Write(
                    module, layout.dataIdentifier(), block, window, "Write coding: " + layout.title()));
        }
        return tasks;
    }

    private static List<RunTask> clear(JobFacts facts) {
        List<RunTask> tasks = new ArrayList<>();
        for (PackModule module : facts.pack().modules().values()) {
            ModuleReading reading = facts.before().orElseThrow().readings().get(module.id());
            if (reading != null && reading.answers())
                tasks.add(new RunTask.Clear(module, "Clear faults: " + module.title()));
        }
        return tasks;
    }
}
