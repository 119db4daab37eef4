package codrane.standin.control;

import codrane.core.pack.PackLink;
import codrane.link.can.CanHub;
import codrane.link.can.SimulatedBus;
import codrane.link.time.PacedTime;
import codrane.standin.doip.DirectBackend;
import codrane.standin.doip.DoipBackend;
import codrane.standin.doip.DoipEntity;
import codrane.standin.doip.EdgeBackend;
import codrane.standin.fault.FaultBoard;
import codrane.standin.fault.FaultSpec;
import codrane.standin.module.Pace;
import codrane.standin.vehicle.CanVehicle;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;

/** A simulated vehicle in real time, reachable over sockets on loopback. */
public final class RunningVehicle implements AutoCloseable {
    private static final long SEED = 20260301;

    private final PacedTime time = new PacedTime("vehicle");
    private final String vin;
    private final SimulatedVehicle vehicle;
    private final InterfaceHeat heat = new InterfaceHeat(time);
    private final Optional<CanVehicle> can;
    private final Optional<CanHub> hub;
    private final Optional<DoipEntity> doip;
    private final FaultBoard faults;

    /**
     * Where it listens.
     *
     * @param can opens a CAN hub; 0 takes a free port
     * @param doip opens a DoIP entity; 0 takes a free port. For a vehicle on CAN that is an edge node on its bus
     * @param announceTo port on loopback for the DoIP announcement; 0: none
     */
    public record Doors(Optional<Integer> can, Optional<Integer> doip, int announceTo) {
        public static final Doors CAN = new Doors(Optional.of(0), Optional.empty(), 0);
        public static final Doors DOIP = new Doors(Optional.empty(), Optional.of(0), 0);
    }

    /** @param speed divides the vehicle's own work */
    public RunningVehicle(Setup setup, Doors doors, int speed, SimulatedVehicle.World world) throws IOException {
        vin = setup.vin().text();
        Pace pace = new Pace(speed, SEED);
        vehicle = onSchedule(() -> new SimulatedVehicle(setup, time, pace, world));
        boolean onCan = setup.pack().link() instanceof PackLink.Can;
        can = onCan ? Optional.of(onSchedule(() -> new CanVehicle(vehicle, time, pace))) : Optional.empty();
        hub = doors.can().isPresent() && onCan
                ? Optional.of(
                        new CanHub(can.orElseThrow().bus(), time, doors.can().get()))
                : Optional.empty();
        doip = doors.doip().isPresent()
                ? Optional.of(new DoipEntity(
                        setup.vin(), backend(), doors.doip().get(), doors.announceTo(), DoipEntity.Timers.STANDARD))
                : Optional.empty();
        faults = onSchedule(() -> new FaultBoard(vehicle, time, new Surrounding()));
        can.ifPresent(c -> time.execute(() -> {
            c.bus().fault(faults);
            c.bus().tap((frame, nanos) -> heat.frame());
        }));
    }

    private DoipBackend backend() {
        if (can.isEmpty()) return new DirectBackend(vehicle, time);
        return onSchedule(() -> new EdgeBackend(vehicle.pack(), can.get().bus(), time));
    }

    private <T> T onSchedule(Supplier<T> maker) {
        CompletableFuture<T> made = new CompletableFuture<>();
        time.execute(() -> {
            try {
                made.complete(maker.get());
            } catch (RuntimeException e) {
                made.completeExceptionally(e);
            }
        });
        return made.join();
    }

    private final class Surrounding implements FaultBoard.Outside {
        @Override
        public void busOff(String module, boolean off) {
            can.ifPresent(c -> c.off(module, off));
        }

        @Override
        public void unplugged(boolean out) {
            hub.ifPresent(h -> h.unplugged(out));
            doip.ifPresent(d -> d.unplugged(out));
        }

        @Override
        public void mute(boolean on) {
            hub.ifPresent(h -> h.mute(on));
            doip.ifPresent(d -> d.mute(on));
        }

        @Override
        public void heat(double celsius) {
            heat.set(celsius);
        }

        @Override
        public boolean tooHot() {
            return heat.tooHot();
        }
    }

    public SimulatedVehicle vehicle() {
        return vehicle;
    }

    /** As on its plate. */
    public String vin() {
        return vin;
    }

    String title() {
        return vehicle.pack().title();
    }

    /** Runs on the vehicle's scheduler and waits for it. */
    public void act(Runnable action) {
        onSchedule(() -> {
            action.run();
            return true;
        });
    }

    /** What the vehicle holds now. */
    public Map<String, Object> look() {
        return onSchedule(vehicle::look);
    }

    public void bring(FaultSpec fault) {
        act(() -> faults.bring(fault));
    }

    /** Whether the vehicle has what the fault is about. */
    public boolean fits(FaultSpec fault) {
        return faults.fits(fault);
    }

    public void clearFaults() {
        act(faults::clear);
    }

    /** The key is on, so diagnostics are possible. */
    void ready(boolean on) {
        doip.ifPresent(d -> d.ready(on));
    }

    /** Temperature of the interface. */
    double celsius() {
        return heat.celsius();
    }

    Optional<SimulatedBus> bus() {
        return can.map(CanVehicle::bus);
    }

    /** @throws java.util.NoSuchElementException when it was not asked for */
    public int canPort() {
        return hub.orElseThrow().port();
    }

    public boolean hasCan() {
        return hub.isPresent();
    }

    public boolean hasDoip() {
        return doip.isPresent();
    }

    /** @throws java.util.NoSuchElementException when it was not asked for */
    public int doipPort() {
        return doip.orElseThrow().port();
    }

    /** Pulls the cable: all testers are cut off and may connect again. */
    public void cut() {
        hub.ifPresent(CanHub::cut);
        doip.ifPresent(DoipEntity::cut);
    }

    @Override
    public void close() throws IOException {
        if (hub.isPresent()) hub.get().close();
        if (doip.isPresent()) doip.get().close();
        time.close();
    }
}
