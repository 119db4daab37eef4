package codrane.standin;

import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackModule;
import codrane.core.plan.ProgrammingSeconds;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import codrane.link.run.RunJournal;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.OptionalDouble;

/**
 * One module programmed in virtual time, beside what the pack alone predicts.
 *
 * @param bytes programmed
 * @param predictedSeconds erase to verify, by the pack's figures, which do not know the module's own times
 * @param simulatedSeconds erase to verify, on the simulated vehicle
 * @param realSeconds that the machine needed for all of it
 * @param wholeSeconds simulated, with unlocking and restarts
 * @param busUse share of what bus and module allow that the transfer uses, 0..1; empty without a bus
 * @param busShare of the time in which a frame was on the bus, 0..1; empty without a bus
 */
public record Rehearsal(
        int bytes,
        double predictedSeconds,
        double simulatedSeconds,
        double realSeconds,
        double wholeSeconds,
        OptionalDouble busUse,
        OptionalDouble busShare) {
    /**
     * @param pack whose module has a flash memory
     * @param bytes to program, at least as many as the version and hardware texts need
     * @throws IllegalStateException when the programming does not finish
     */
    public static Rehearsal of(Pack pack, String moduleId, int bytes) {
        PackModule.Flash flash = pack.module(moduleId).flash().orElseThrow().withLength(bytes);
        Pack sized = pack.withFlash(moduleId, flash);
        PackModule module = sized.module(moduleId);
        Setup healthy = Setup.healthy(sized, Conditions.standard(sized).vin());
        VirtualWorkshop workshop = new VirtualWorkshop(healthy.withBlankPart(moduleId));
        new Scenes(workshop).authorise();
        BusUse use = use(module, sized);
        if (workshop.hasBus()) workshop.bus().tap(use);
        Clock clock = new Clock(workshop, use);
        long began = System.nanoTime();
        RunAction end = workshop.run(RunState.begin(List.of(workshop.programming(moduleId))), clock);
        double real = (System.nanoTime() - began) / 1e9;
        if (!(end instanceof RunAction.Finished)) throw new IllegalStateException("the run did not finish: " + end);
        double whole = workshop.time().now() / 1e9;
        return new Rehearsal(
                bytes,
                ProgrammingSeconds.estimate(sized, flash).total().toNanos() / 1e9,
                (clock.end - clock.begin) / 1e9,
                real,
                whole,
                workshop.hasBus() ? OptionalDouble.of(use.share()) : OptionalDouble.empty(),
                workshop.hasBus()
                        ? OptionalDouble.of(workshop.bus().busyNanos() / 1e9 / whole)
                        : OptionalDouble.empty());
    }

    private static BusUse use(PackModule module, Pack pack) {
        if (!(pack.link() instanceof PackLink.Can can)) return new BusUse(0, new BusUse.Rates(1, 1, 0));
        long separation = module.flash().orElseThrow().separationTime().toNanos();
        return new BusUse(
                can.requestId(module.address()),
                new BusUse.Rates(can.bitrate(), can.dataBitrate().orElse(can.bitrate()), separation));
    }

    /** Notes when erasing was asked for and when the check was answered. */
    private static final class Clock implements RunJournal {
        private final VirtualWorkshop workshop;
        private final BusUse use;
        private long begin = -1;
        private long end;

        Clock(VirtualWorkshop workshop, BusUse use) {
            this.workshop = workshop;
            this.use = use;
        }

        @Override
        public void open(RunState state, RunAction action) {
            if (state.phase() == RunState.Phase.ERASE && begin < 0)
                begin = workshop.time().now();
            if (state.phase() == RunState.Phase.REQUEST_DOWNLOAD) use.start();
        }

        @Override
        public void close(RunState state, RunAction action, Reply reply) {
            if (state.phase() == RunState.Phase.EXIT) use.stop();
            if (state.phase() == RunState.Phase.CHECK) end = workshop.time().now();
        }
    }
}
