package codrane.standin;

import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.MemoryImage;
import codrane.core.coding.Layout;
import codrane.core.gateway.OperationMatrix;
import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.power.PowerWindow;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.vin.Vin;
import codrane.link.can.SimulatedBus;
import codrane.link.run.RunGates;
import codrane.link.run.RunJournal;
import codrane.link.run.RunLoop;
import codrane.link.time.VirtualTime;
import codrane.link.uds.CanLink;
import codrane.standin.vehicle.CalibrationImage;
import codrane.standin.vehicle.CanVehicle;
import codrane.standin.vehicle.FactoryCoding;
import codrane.standin.vehicle.Pace;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** A vehicle on CAN and a tester, in one process and virtual time: for traces, measurements and tests. */
public final class VirtualWorkshop {
    private static final long SEED = 20260301;
    private static final double UPPER_VOLTS = 14.8;

    private final VirtualTime time = new VirtualTime();
    private final Vin vin;
    private final SimulatedVehicle vehicle;
    private final SimulatedBus bus;
    private final CanLink link;

    public VirtualWorkshop(Setup setup) {
        Pace pace = new Pace(1, SEED);
        vin = setup.vin();
        vehicle = new SimulatedVehicle(setup, time, pace);
        bus = CanVehicle.attach(vehicle, time, pace);
        link = CanLink.on(time, bus.attach(), (PackLink.Can) setup.pack().link());
    }

    public VirtualTime time() {
        return time;
    }

    public SimulatedVehicle vehicle() {
        return vehicle;
    }

    public SimulatedBus bus() {
        return bus;
    }

    public CanLink link() {
        return link;
    }

    /** What makes a used or blank part right for this vehicle: program, VIN, coding, restart, clear. */
    public List<RunTask> tasksFor(String moduleId) {
        Pack pack = vehicle.pack();
        PackModule module = pack.module(moduleId);
        PowerWindow window = PowerWindow.programming(UPPER_VOLTS);
        List<RunTask> tasks = new ArrayList<>();
        module.flash()
                .ifPresent(flash -> tasks.add(new RunTask.Program(
                        module,
                        flash.segment().start(),
                        flash.segment().length(),
                        Checksums.crc32(Bytes.copyOf(content(module))),
                        module.software().current(),
                        window,
                        "Program " + module.title())));
        tasks.add(new RunTask.Write(
                module, module.did(PackModule.Ident.VIN), Bytes.ascii(vin.text()), window, "Write the VIN"));
        for (Layout layout : pack.blocksOf(module)) {
            tasks.add(new RunTask.Write(
                    module,
                    layout.dataIdentifier(),
                    FactoryCoding.block(pack, layout, vin),
                    window,
                    "Write " + layout.title()));
        }
        tasks.add(new RunTask.Restart(module, "Restart " + module.title()));
        pack.modules().values().stream()
                .filter(m -> vehicle.fitted(m.address()))
                .forEach(m -> tasks.add(new RunTask.Clear(m, "Clear " + m.title())));
        return tasks;
    }

    /** Content of the calibration that {@link #tasksFor} programs. */
    public static byte[] content(PackModule module) {
        return CalibrationImage.of(
                module, module.parts().family(), module.software().current());
    }

    /** Runs the tasks with every gate open. */
    public RunAction run(RunState start, RunJournal journal) {
        MemoryImage image = start.tasks().stream()
                .filter(RunTask.Program.class::isInstance)
                .map(t -> CalibrationWriter.image(((RunTask.Program) t).start(), content(t.module())))
                .findFirst()
                .orElseGet(MemoryImage::new);
        return new RunLoop(link, vehicle.pack(), image, new OpenGates(), journal).run(start);
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

    private final class OpenGates implements RunGates {
        @Override
        public Verdict awaitPower(PowerWindow window) {
            return new Verdict.Open();
        }

        @Override
        public Verdict awaitKeyOn(String prompt) {
            return new Verdict.Open();
        }

        @Override
        public OperationMatrix.Verdict permit(OperationMatrix.Operation operation) {
            return new OperationMatrix.Verdict.Allowed("simulation");
        }

        @Override
        public void beforeBlock(RunState state) {}

        @Override
        public void pause(Duration span) {
            time.advance(span);
        }
    }
}
