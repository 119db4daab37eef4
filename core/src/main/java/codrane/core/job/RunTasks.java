package codrane.core.job;

import codrane.core.calibration.MemoryImage;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.power.PowerWindow;
import codrane.core.ready.Need;
import codrane.core.run.RunTask;
import codrane.core.scan.ModuleReading;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The tasks of a run, from the plan and what is at hand: for the run itself, its picture, and what is left of it. The same
 * state gives the same tasks, so that a run can be recovered.
 */
public final class RunTasks {
    /** Started by a person who looks. */
    private static final Set<Operation.Kind> ROUTINES = EnumSet.of(
            Operation.Kind.RELEARN, Operation.Kind.INITIALISE, Operation.Kind.CALIBRATE, Operation.Kind.ADD_KEY);

    private static final String KEY_TURN = "Turn the key off and on in time";

    private RunTasks() {}

    /** Whether it waits for a timed turn of the key. */
    public static boolean awaitsKey(JobRun run) {
        return run.taskTitle().equals(KEY_TURN);
    }

    /**
     * All tasks of the plan, in its order.
     *
     * @param image of the calibration; empty when the plan programs nothing
     * @throws IllegalStateException when an operation can't be carried out: ask {@link #unable} before
     */
    public static List<RunTask> of(JobState state, MemoryImage image) {
        List<RunTask> tasks = new ArrayList<>();
        for (Operation operation : state.writes()) tasks.addAll(of(state, operation, image));
        return tasks;
    }

    /** Writes of the plan that its run has not done yet; all of them while there is none. */
    public static List<Operation> left(JobState state) {
        List<Operation> writes = state.writes();
        int done = state.run().map(JobRun::taskIndex).orElse(0);
        if (done == 0 || !unable(state).isEmpty()) return writes;
        List<Operation> left = new ArrayList<>();
        int end = 0;
        for (Operation write : writes) {
            end += count(state, write);
            if (end > done) left.add(write);
        }
        return left;
    }

    /** Those of {@link #left} that the run does before it asks a person again: up to the next routine. */
    public static List<Operation> leg(JobState state) {
        List<Operation> left = left(state);
        List<Operation> leg = new ArrayList<>();
        for (Operation write : left) {
            if (!leg.isEmpty() && startedByHand(write)) break;
            leg.add(write);
        }
        return leg;
    }

    /** How long {@link #leg} keeps the wire: of a routine its own time, not that of setting up for it. */
    public static int legSeconds(JobState state) {
        return leg(state).stream().mapToInt(o -> wireSeconds(state.pack(), o)).sum();
    }

    /** As {@link #legSeconds}, of one operation. */
    public static int wireSeconds(Pack pack, Operation operation) {
        if (operation.kind() != Operation.Kind.CALIBRATE
                && operation.kind() != Operation.Kind.INITIALISE
                && operation.kind() != Operation.Kind.RELEARN) return operation.seconds();
        int own = pack.equipment().procedures().values().stream()
                .filter(p -> p.module().equals(operation.module()))
                .mapToInt(p -> (int) p.duration().toSeconds())
                .sum();
        return own == 0 ? operation.seconds() : own;
    }

    /** What the plan wants a person to do after the last write that is done, and before the next; titles. */
    public static List<String> byHandFirst(JobState state) {
        List<Operation> left = leg(state);
        if (left.isEmpty() || state.run().isEmpty()) return List.of();
        List<String> byHand = new ArrayList<>();
        for (Operation operation : state.operations()) {
            if (operation.equals(left.getFirst())) return byHand;
            if (operation.kind().writes() && !operation.conditional()) byHand.clear();
            else if (state.settling().contains(operation)) byHand.add(operation.title());
        }
        return byHand;
    }

    /** Whether it is a routine, which somebody starts who looks at it. */
    public static boolean startedByHand(Operation operation) {
        return ROUTINES.contains(operation.kind());
    }

    /** How many tasks an operation is; 0 when it can't be carried out yet. */
    public static int count(JobState state, Operation operation) {
        if (!able(state, operation)) return 0;
        return operation.kind() == Operation.Kind.PROGRAM
                ? 1
                : of(state, operation, new MemoryImage()).size();
    }

    /** Titles of planned operations that this version plans, and can't carry out yet. */
    public static List<String> unable(JobState state) {
        return state.writes().stream()
                .filter(o -> !able(state, o))
                .map(Operation::title)
                .toList();
    }

    public static boolean able(JobState state, Operation operation) {
        return switch (operation.kind()) {
            case PROGRAM -> state.job().replacedModule().equals(Optional.of(operation.module()));
            case WRITE_CODING ->
                operation.holds().contains(HoldPoint.SHEET_CHECKED)
                        || operation.holds().contains(HoldPoint.OLD_MODULE_READ)
                        || state.job().kind().about() == JobKind.About.SETTINGS
                        || ReferenceCoding.writes(operation) // its gaps are judged before the run
                        || CodingAtHand.writesBack(state, operation)
                        || CodingAtHand.wishedOnly(state, operation)
                        || DerivedCoding.of(state, operation.module()).isPresent();
            case RESET -> !operation.module().isEmpty();
            case WRITE_ORDER -> orderKept(state, operation) || DerivedCoding.fromPapers(state); // typed before the run
            case WRITE_LEARNED ->
                LearnedValues.missing(state, operation.module()).isEmpty()
                        || LearnedValues.fromElsewhere(state, operation.module()); // typed before the run
            default -> true;
        };
    }

    private static List<RunTask> of(JobState state, Operation operation, MemoryImage image) {
        return switch (operation.kind()) {
            case PROGRAM -> List.of(program(state, image));
            case WRITE_VIN -> {
                PackModule module = state.pack().module(operation.module());
                Bytes vin = Bytes.ascii(state.job().vin().text());
                yield List.of(module.traits()
                        .forgetVin()
                        .<RunTask>map(routine ->
                                new RunTask.LearnVin(module, routine, vin, coding(state), "Have the VIN learned"))
                        .orElseGet(() ->
                                new RunTask.Write(module, module.did(Ident.VIN), vin, coding(state), "Write the VIN")));
            }
            case WRITE_CODING -> {
                List<RunTask> coding = new ArrayList<>(coding(state, operation));
                if (state.job().kind() == JobKind.CHOOSE_VARIANT && !coding.isEmpty())
                    coding.add(new RunTask.TurnKey(
                            state.pack().module(operation.module()),
                            state.pack().equipment().habits().keyCycle(),
                            KEY_TURN));
                yield coding;
            }
            case RESET -> List.of(new RunTask.Restart(state.pack().module(operation.module()), operation.title()));
            case CLEAR -> clear(state);
            case WRITE_LEARNED -> learned(state, operation);
            case WRITE_ORDER -> order(state, operation);
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
                    DRIVE,
                    AS_LEFT,
                    SWAP -> List.of();
            case RELEARN -> routines(state, operation, Effect.RELEARN);
            case INITIALISE, CALIBRATE -> routines(state, operation, Effect.CALIBRATE);
            case PAIR -> List.of(pair(state, operation));
            case ADD_KEY -> keys(state, operation.title());
        };
    }

    private static Equipment.Immobiliser immobiliser(JobState state) {
        return state.pack().equipment().immobiliser().orElseThrow();
    }

    /** Other tools, any of which learns this model's keys, since Codrane can't; empty when it can. */
    public static List<String> keysWith(JobState state) {
        return immobiliser(state).keysWith();
    }

    private static RunTask pair(JobState state, Operation operation) {
        Equipment.Immobiliser immobiliser = immobiliser(state);
        return new RunTask.Pair(
                state.pack().module(immobiliser.master()),
                state.pack().module(operation.module()),
                immobiliser,
                coding(state),
                operation.title());
    }

    /** One task a key, each begun by somebody who holds it. */
    private static List<RunTask> keys(JobState state, String title) {
        Equipment.Immobiliser immobiliser = immobiliser(state);
        int here = state.intake().details().keysHere();
        PackModule keeper = state.pack().module(immobiliser.master());
        if (!keysWith(state).isEmpty())
            return List.of(new RunTask.KeysElsewhere(keeper, immobiliser, here, coding(state), title));
        List<RunTask> keys = new ArrayList<>();
        for (int i = 1; i <= here; i++)
            keys.add(new RunTask.LearnKey(keeper, immobiliser, i, coding(state), "Learn key " + i + " of " + here));
        return keys;
    }

    /** Kinds of codes that what comes next is done with, in the order in which the vehicle takes them. */
    public static List<Need.Kind> codes(JobState state) {
        boolean sends = leg(state).stream()
                .anyMatch(o -> o.kind() == Operation.Kind.PAIR
                        || o.kind() == Operation.Kind.ADD_KEY && keysWith(state).isEmpty());
        if (!sends) return List.of();
        return immobiliser(state).dailyCode()
                ? List.of(Need.Kind.ACCESS_CODE, Need.Kind.DAILY_CODE)
                : List.of(Need.Kind.ACCESS_CODE);
    }

    /** Another module still keeps the order that a replaced one gets back; a changed one is read, and its coding told. */
    private static boolean orderKept(JobState state, Operation operation) {
        Optional<VehicleOrder> order = state.pack().equipment().order();
        Optional<Scan> scan = state.before();
        if (order.isEmpty() || scan.isEmpty() || state.baselined().orderNow().isEmpty()) return false;
        if (state.job().kind().about() == JobKind.About.ORDER)
            return DerivedCoding.untold(state).isEmpty();
        return state.job().kind().replaces()
                && order.get().holders().stream()
                        .filter(holder -> !holder.equals(operation.module()))
                        .map(holder -> scan.get().readings().getOrDefault(holder, ModuleReading.silent(holder)))
                        .anyMatch(reading -> reading.text(Ident.VIN)
                                .equals(Optional.of(state.job().vin().text())));
    }

    private static List<RunTask> order(JobState state, Operation operation) {
        VehicleOrder order = state.pack().equipment().order().orElseThrow();
        Bytes octets = DerivedCoding.order(state, order);
        PackModule module = state.pack().module(operation.module());
        return List.of(
                new RunTask.Write(module, order.dataIdentifier(), octets, coding(state), "Write the vehicle order"));
    }

    private static List<RunTask> learned(JobState state, Operation operation) {
        PackModule module = state.pack().module(operation.module());
        List<RunTask> tasks = new ArrayList<>();
        LearnedValues.of(state, module.id())
                .forEach((adaptation, octets) -> tasks.add(new RunTask.Write(
                        module,
                        adaptation.identifier(),
                        octets,
                        coding(state),
                        "Write back \"" + adaptation.title() + "\"")));
        return tasks;
    }

    private static RunTask program(JobState state, MemoryImage image) {
        PackModule module = state.replaced().orElseThrow();
        MemoryImage.Segment segment = image.segments().getFirst();
        String after = state.calibration().orElseThrow().manifest().softwareAfter();
        return new RunTask.Program(
                module,
                segment.start(),
                (int) segment.length(),
                image.crc32(),
                after,
                state.window(),
                "Program the " + module.lowerTitle() + " to " + after);
    }

    /** The pack's routines of the operation's module, each released by somebody who looks. */
    private static List<RunTask> routines(JobState state, Operation operation, Effect effect) {
        PackModule module = state.pack().module(operation.module());
        return state.pack().equipment().procedures().values().stream()
                .filter(p -> p.module().equals(module.id()) && p.effect() == effect)
                .<RunTask>map(p -> new RunTask.Routine(module, p, coding(state), p.title()))
                .toList();
    }

    private static PowerWindow coding(JobState state) {
        return PowerWindow.coding(PowerWindow.upperLimit(state.pack().supply().chemistry()));
    }

    private static List<RunTask> coding(JobState state, Operation operation) {
        PackModule module = state.pack().module(operation.module());
        List<RunTask> tasks = new ArrayList<>();
        Map<String, Bytes> blocks = CodingAtHand.of(state, operation).orElse(Map.of());
        for (Layout layout : state.pack().blocksOf(module)) {
            Bytes block = blocks.get(layout.id());
            if (block == null) continue; // nothing of this block was chosen
            tasks.add(new RunTask.Write(
                    module, layout.dataIdentifier(), block, coding(state), "Write coding: " + layout.title()));
        }
        return tasks;
    }

    private static List<RunTask> clear(JobState state) {
        return state.before().stream()
                .flatMap(scan -> state.pack().modules().values().stream()
                        .filter(m -> Optional.ofNullable(scan.readings().get(m.id()))
                                .map(r -> r.answers())
                                .orElse(false)))
                .<RunTask>map(m -> new RunTask.Clear(m, "Clear faults: " + m.title()))
                .toList();
    }
}
