package codrane.standin;

import static java.util.Objects.requireNonNull;

import codrane.core.calibration.MemoryImage;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.power.PowerWindow;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.link.run.RunJournal;
import codrane.link.run.RunLoop;
import codrane.standin.fault.FaultSpec;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.Map;

/** One file programmed into one module of a healthy vehicle in virtual time, with what may go wrong on the way. */
public final class SimulatedRun {
    private final VirtualWorkshop workshop;
    private final PackModule module;
    private final Journal journal = new Journal();

    /** How a run ends. */
    public enum Outcome {
        DONE,
        /** The module refused where nothing was half written. */
        REFUSED,
        /** It ended where nothing was half written. */
        STOPPED,
        /** It must be recovered. */
        INTERRUPTED
    }

    /** What is in the module, whether or not it can be asked just now. */
    public enum ModuleState {
        RUNS,
        BOOT_ONLY
    }

    /**
     * @param software that the module reports; empty when only its boot software answers
     * @param seconds simulated, from the first request to the end
     * @param sentence what happened
     * @param nextAct the one act that follows
     */
    public record End(
            Outcome outcome, ModuleState module, String software, double seconds, String sentence, String nextAct) {}

    private SimulatedRun(Pack pack, String moduleId) {
        Setup standard = Setup.healthy(pack, Conditions.standard(pack).vin());
        workshop = new VirtualWorkshop(standard);
        module = pack.module(moduleId);
        new Scenes(workshop).authorise();
    }

    /** Hardware number that the module of the simulated vehicle reports. */
    public static String hardware(PackModule module) {
        return module.parts().fitted();
    }

    /** Whether a simulation without an interface can have the fault. */
    public static boolean can(FaultSpec fault) {
        return fault.kind() != FaultSpec.Kind.HEAT;
    }

    /**
     * @param image that fills the module's flash memory
     * @param version that the module must report afterwards
     */
    public static End of(Pack pack, String moduleId, MemoryImage image, String version, List<FaultSpec> faults) {
        SimulatedRun run = new SimulatedRun(pack, moduleId);
        faults.forEach(run.workshop.faults()::bring);
        return run.end(image, version);
    }

    /** As the vehicle is before anything is sent. */
    public static End untouched(Pack pack, String moduleId, String sentence, String nextAct) {
        SimulatedRun run = new SimulatedRun(pack, moduleId);
        return run.told(Outcome.REFUSED, 0, sentence, nextAct);
    }

    private End end(MemoryImage image, String version) {
        PackModule.Range segment = module.flash().orElseThrow().segment();
        PowerWindow window = PowerWindow.programming(
                PowerWindow.upperLimit(workshop.vehicle().pack().supply().chemistry()));
        RunTask.Program program = new RunTask.Program(
                module,
                segment.start(),
                segment.length(),
                image.crc32(),
                version,
                window,
                "Program the " + module.lowerTitle());
        RunLoop loop = new RunLoop(
                new RunLoop.Wire(workshop.link(), new SimulatedKeys()),
                workshop.vehicle().pack(),
                image,
                new SupplyGates(workshop),
                journal);
        long began = workshop.time().now();
        RunAction action = loop.run(RunState.begin(List.of(program))).action();
        double seconds = (workshop.time().now() - began) / 1e9;
        return action instanceof RunAction.Stopped stopped
                ? told(outcome(stopped), seconds, stopped.sentence(), stopped.nextStep())
                : told(
                        Outcome.DONE,
                        seconds,
                        "The " + module.lowerTitle() + " reports software " + version + ".",
                        "Write what the programming took from it, then scan again.");
    }

    private Outcome outcome(RunAction.Stopped stopped) {
        if (stopped.lost()) return Outcome.INTERRUPTED;
        return journal.refused ? Outcome.REFUSED : Outcome.STOPPED;
    }

    private End told(Outcome outcome, double seconds, String sentence, String nextAct) {
        Map<String, Object> look = look();
        boolean boot = Boolean.TRUE.equals(look.get("bootOnly"));
        return new End(
                outcome,
                boot ? ModuleState.BOOT_ONLY : ModuleState.RUNS,
                boot ? "" : String.valueOf(look.get("software")),
                seconds,
                sentence,
                nextAct);
    }

    @SuppressWarnings("unchecked") // a look is made of maps
    private Map<String, Object> look() {
        Map<String, Object> modules =
                (Map<String, Object>) requireNonNull(workshop.vehicle().look().get("modules"));
        return (Map<String, Object>) requireNonNull(modules.get(module.id()));
    }

    /** What the last answer was. */
    private static final class Journal implements RunJournal {
        private boolean refused;

        @Override
        public void open(RunState state, RunAction action) {}

        @Override
        public void close(RunState state, RunAction action, Reply reply) {
            refused = reply instanceof Reply.Refused;
        }
    }
}
