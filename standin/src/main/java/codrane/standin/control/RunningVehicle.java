package codrane.standin.control;

import codrane.link.can.CanHub;
import codrane.link.can.SimulatedBus;
import codrane.link.time.PacedTime;
import codrane.standin.vehicle.CanVehicle;
import codrane.standin.vehicle.DoipVehicle;
import codrane.standin.vehicle.Pace;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/** A simulated vehicle in real time, reachable over sockets on loopback. */
public final class RunningVehicle implements AutoCloseable {
    private static final long SEED = 20260301;

    private final PacedTime time = new PacedTime("vehicle");
    private final SimulatedVehicle vehicle;
    private final Optional<SimulatedBus> bus;
    private final Optional<CanHub> hub;
    private final Optional<DoipVehicle> doip;

    /**
     * @param canPort opens a CAN hub; 0 takes a free port
     * @param doipPort opens a DoIP entity; 0 takes a free port
     * @param speed divides the vehicle's own work
     */
    public RunningVehicle(Setup setup, Optional<Integer> canPort, Optional<Integer> doipPort, int speed)
            throws IOException {
        Pace pace = new Pace(speed, SEED);
        vehicle = new SimulatedVehicle(setup, time, pace);
        bus = canPort.isPresent() ? Optional.of(attach(pace)) : Optional.empty();
        hub = canPort.isPresent() ? Optional.of(new CanHub(bus.orElseThrow(), time, canPort.get())) : Optional.empty();
        doip = doipPort.isPresent() ? Optional.of(new DoipVehicle(vehicle, time, doipPort.get())) : Optional.empty();
    }

    private SimulatedBus attach(Pace pace) {
        CompletableFuture<SimulatedBus> made = new CompletableFuture<>();
        time.execute(() -> made.complete(CanVehicle.attach(vehicle, time, pace)));
        return made.join();
    }

    public SimulatedVehicle vehicle() {
        return vehicle;
    }

    PacedTime time() {
        return time;
    }

    Optional<SimulatedBus> bus() {
        return bus;
    }

    /** @throws java.util.NoSuchElementException when it was not asked for */
    public int canPort() {
        return hub.orElseThrow().port();
    }

    /** @throws java.util.NoSuchElementException when it was not asked for */
    public int doipPort() {
        return doip.orElseThrow().port();
    }

    /** Pulls the cable: all testers are cut off and may connect again. */
    public void cut() {
        hub.ifPresent(CanHub::cut);
        doip.ifPresent(DoipVehicle::cut);
    }

    @Override
    public void close() throws IOException {
        if (hub.isPresent()) hub.get().close();
        if (doip.isPresent()) doip.get().close();
        time.close();
    }
}
