package codrane.standin;

import codrane.core.calibration.MemoryImage;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.Recovery;
import codrane.core.run.Rehearser.Rehearsed;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.core.run.RunTask;
import codrane.core.run.Step;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import codrane.link.run.RunJournal;
import codrane.link.run.RunLoop;
import codrane.link.scan.VehicleScanner;
import codrane.standin.module.Part;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A simulated vehicle that holds what another one was read to hold, on which a plan is carried out beforehand, in virtual
 * time. What was not read is as the pack has it. It knows nothing of wear, wiring or a tired battery.
 */
final class Twin {
    private final VirtualWorkshop workshop;
    private final Pack pack;
    private final List<RunTask> tasks;
    private final Watched watched;
    private final List<String> prompts = new ArrayList<>();

    /** @param readings of the vehicle's modules, the newest there are */
    Twin(Pack pack, Vin vin, Map<String, ModuleReading> readings, List<RunTask> tasks) {
        this.pack = pack;
        this.tasks = tasks;
        workshop = new VirtualWorkshop(setup(pack, vin, readings));
        watched = new Watched(workshop, tasks.size());
        readings.forEach((id, reading) ->
                workshop.vehicle().server(id).ifPresent(s -> s.state().resembles(reading)));
        new Scenes(workshop).authorise();
    }

    private static Setup setup(Pack pack, Vin vin, Map<String, ModuleReading> readings) {
        Setup setup = Setup.healthy(pack, vin);
        for (PackModule module : pack.modules().values())
            setup = setup.with(module.id(), part(module, vin, readings.get(module.id())));
        return setup;
    }

    private static Part part(PackModule module, Vin vin, @Nullable ModuleReading reading) {
        Part built = Part.fitted(vin, module.software().current());
        if (reading == null || !reading.answers()) return built.in(Part.Health.ABSENT);
        return reading.text(Ident.SOFTWARE)
                .map(software -> Part.fitted(vin, software))
                .orElse(Part.blank());
    }

    Rehearsed run(MemoryImage image) {
        VehicleScanner scanner = new VehicleScanner(workshop.link(), pack);
        Map<String, ModuleReading> before = scanner.scan(reading -> {});
        RunLoop.Wire wire = new RunLoop.Wire(workshop.link(), new SimulatedKeys());
        RunState state = RunState.begin(tasks);
        while (true) {
            Step end = new RunLoop(wire, pack, image, new Gates(), watched).run(state);
            watched.close();
            if (end.action() instanceof RunAction.Finished)
                return ended(true, "All that was rehearsed was written and read back.", "", before);
            RunAction.Stopped stopped = (RunAction.Stopped) end.action();
            boolean asks = end.state().phase() == RunState.Phase.ASK_PERSON && prompts.size() < tasks.size();
            if (!asks) return ended(false, stopped.sentence(), stopped.nextStep(), before);
            prompts.add(stopped.nextStep());
            state = Recovery.after(tasks, new Recovery.Ended(end.state().index(), false, false));
        }
    }

    private Rehearsed ended(boolean well, String sentence, String nextStep, Map<String, ModuleReading> before) {
        VehicleScanner scanner = new VehicleScanner(workshop.link(), pack);
        return new Rehearsed(well, sentence, nextStep, prompts, watched.seconds(), before, scanner.scan(reading -> {}));
    }

    /** How long each task took. */
    private static final class Watched implements RunJournal {
        private final VirtualWorkshop workshop;
        private final double[] seconds;
        private int index = -1;
        private long began;

        Watched(VirtualWorkshop workshop, int tasks) {
            this.workshop = workshop;
            seconds = new double[tasks];
        }

        @Override
        public void open(RunState state, RunAction action) {
            if (state.index() == index) return;
            close();
            index = state.index();
            began = workshop.time().now();
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {}

        void close() {
            if (index >= 0 && index < seconds.length)
                seconds[index] += (workshop.time().now() - began) / 1e9;
            began = workshop.time().now();
        }

        List<Double> seconds() {
            List<Double> all = new ArrayList<>();
            for (int i = 0; i <= Math.min(index, seconds.length - 1); i++) all.add(seconds[i]);
            return all;
        }
    }

    /** The supply is steady, and somebody brings about what is asked for. */
    private final class Gates extends OpenGates {
        Gates() {
            super(workshop.time(), workshop.vehicle());
        }

        @Override
        public Verdict awaitKeyTurn(RunState state, KeyCycle cycle) {
            prompts.add(cycle.words() + ".");
            workshop.vehicle().key(Key.OFF);
            pause(cycle.off());
            workshop.vehicle().key(Key.ON);
            return new Verdict.Open();
        }
    }
}
