package codrane.standin;

import codrane.core.calibration.MemoryImage;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.power.PowerWindow;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.vin.Vin;
import codrane.link.DiagnosticLink;
import codrane.link.can.SimulatedBus;
import codrane.link.run.RunJournal;
import codrane.link.run.RunLoop;
import codrane.link.time.VirtualTime;
import codrane.link.trace.TraceRing;
import codrane.link.uds.CanLink;
import codrane.standin.fault.FaultBoard;
import codrane.standin.module.CalibrationImage;
import codrane.standin.module.FactoryCoding;
import codrane.standin.module.Pace;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.service.Authority;
import codrane.standin.vehicle.CanVehicle;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A vehicle and a tester, in one process and virtual time: for traces, measurements, predictions and tests. */
public final class VirtualWorkshop {
    /** The pack's figures do not tell what this seed makes of them. */
    private static final long SEED = 20260301;

    private static final double UPPER_VOLTS = 14.8;
    private static final Instant MORNING = Instant.parse("2026-03-02T08:00:00Z");

    private final VirtualTime time = new VirtualTime();
    private final Authority authority = new Authority();
    private final Vin vin;
    private final SimulatedVehicle vehicle;
    private final Optional<CanVehicle> can;
    private final TraceRing trace;
    private VirtualCable link;
    private final FaultBoard faults;

    public VirtualWorkshop(Setup setup) {
        this(setup, new TraceRing(1));
    }

    /** @param trace records the wire */
    public VirtualWorkshop(Setup setup, TraceRing trace) {
        Pace pace = new Pace(1, SEED);
        this.trace = trace;
        vin = setup.vin();
        vehicle = new SimulatedVehicle(setup, time, pace, new SimulatedVehicle.World(MORNING, authority.publicKey()));
        can = setup.pack().link() instanceof PackLink.Can
                ? Optional.of(new CanVehicle(vehicle, time, pace))
                : Optional.empty();
        can.ifPresent(onBus -> onBus.bus().tap(trace));
        link = connected();
        faults = new FaultBoard(vehicle, time, new FaultBoard.Outside() {
            @Override
            public void busOff(String module, boolean off) {
                can.ifPresent(c -> c.off(module, off));
            }

            @Override
            public void unplugged(boolean out) {
                if (out) link.pull();
            }

            @Override
            public void mute(boolean on) {
                link.mute(on);
            }
        });
        can.ifPresent(c -> c.bus().fault(faults));
    }

    private VirtualCable connected() {
        return switch (vehicle.pack().link()) {
            case PackLink.Can addressing ->
                new VirtualCable(CanLink.on(time, can.orElseThrow().bus().attach(), addressing), time);
            case PackLink.Doip doip -> new VirtualCable(new VirtualDoipLink(vehicle, time, doip, trace), time);
        };
    }

    /** Another connection: as after the cable was put in again, or the tester was started anew. */
    public void reconnect() {
        link.close();
        link = connected();
    }

    public VirtualTime time() {
        return time;
    }

    /** The vehicle's own VIN, whatever its modules hold. */
    public Vin vin() {
        return vin;
    }

    public SimulatedVehicle vehicle() {
        return vehicle;
    }

    /** @throws java.util.NoSuchElementException when the vehicle speaks DoIP */
    public SimulatedBus bus() {
        return can.orElseThrow().bus();
    }

    public boolean hasBus() {
        return can.isPresent();
    }

    public DiagnosticLink link() {
        return link;
    }

    /** Whose grants the vehicle's gateway accepts. */
    public Authority authority() {
        return authority;
    }

    public FaultBoard faults() {
        return faults;
    }

    /** Programs a module that can be programmed, and nothing else. */
    public RunTask.Program programming(String moduleId) {
        PackModule module = vehicle.pack().module(moduleId);
        PackModule.Range segment = module.flash().orElseThrow().segment();
        return new RunTask.Program(
                module,
                segment.start(),
                segment.length(),
                content(module).crc32(),
                module.software().current(),
                PowerWindow.programming(UPPER_VOLTS),
                "Program " + module.title());
    }

    /** What makes a used or blank part right for this vehicle: program, VIN, coding, restart, clear. */
    public List<RunTask> tasksFor(String moduleId) {
        Pack pack = vehicle.pack();
        PackModule module = pack.module(moduleId);
        PowerWindow window = PowerWindow.programming(UPPER_VOLTS);
        List<RunTask> tasks = new ArrayList<>();
        module.flash().ifPresent(flash -> tasks.add(programming(moduleId)));
        tasks.add(new RunTask.Write(
                module, module.did(PackModule.Ident.VIN), Bytes.ascii(vin.text()), window, "Write the VIN"));
        String software = module.flash().isPresent()
                ? module.software().current()
                : vehicle.server(moduleId).orElseThrow().state().software();
        for (Layout layout : pack.as(Map.of(moduleId, software)).blocksOf(module)) {
            tasks.add(new RunTask.Write(
                    module,
                    layout.dataIdentifier(),
                    FactoryCoding.block(pack, layout, vin),
                    window,
                    "Write " + layout.title()));
        }
        tasks.add(new RunTask.Restart(module, "Restart " + module.title()));
        pack.modules().values().stream()
                .filter(m -> !vehicle.server(m.id()).orElseThrow().unreachable())
                .forEach(m -> tasks.add(new RunTask.Clear(m, "Clear " + m.title())));
        return tasks;
    }

    /** Content of the calibration that {@link #tasksFor} programs. */
    public static MemoryImage content(PackModule module) {
        return CalibrationImage.of(
                module, module.parts().family(), module.software().current());
    }

    /** Runs the tasks with every gate open. */
    public RunAction run(RunState start, RunJournal journal) {
        MemoryImage image = start.tasks().stream()
                .filter(RunTask.Program.class::isInstance)
                .map(t -> content(t.module()))
                .findFirst()
                .orElseGet(MemoryImage::new);
        return new RunLoop(
                        new RunLoop.Wire(link, new SimulatedKeys()),
                        vehicle.pack(),
                        image,
                        new OpenGates(time, vehicle),
                        journal)
                .run(start)
                .action();
    }

    /** A journal that keeps nothing. */
    public static RunJournal noJournal() {
        return new RunJournal() {
            @Override
            public void open(RunState state, RunAction action) {}

            @Override
            public void close(RunState state, RunAction action, Reply reply) {}
        };
    }
}
