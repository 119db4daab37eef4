package codrane.standin.control;

import codrane.core.pack.Pack;
import codrane.standin.vehicle.Setup;
import codrane.standin.vehicle.SimulatedVehicle;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** An interface of the workshop, and the simulated vehicles that it can be plugged into, one at a time. */
public final class SimulatedTool implements AutoCloseable {
    private static final String OLD_FIRMWARE = "1.0";

    private final Label label;
    private final Parked parked;
    private final Optional<Cable> cable;
    private volatile List<RunningVehicle> vehicles;
    private volatile RunningVehicle plugged;
    private volatile boolean wireless;
    private volatile String firmware;

    /** What the interface tells about itself. */
    public record Label(String name, String serial, String firmware, String driver) {
        /** Of an interface that nobody asks. */
        public static final Label PLAIN = new Label("interface", "PLV2-000000", "1.0", "1.0");
    }

    /** The vehicles as they are at first. */
    private interface Parked {
        List<RunningVehicle> atFirst() throws IOException;
    }

    private SimulatedTool(Label label, Parked parked, Optional<Integer> port) throws IOException {
        this.label = label;
        this.parked = parked;
        vehicles = parked.atFirst();
        plugged = vehicles.getFirst();
        cable = port.isPresent() ? Optional.of(new Cable(port.get(), door(plugged))) : Optional.empty();
        firmware = label.firmware();
    }

    /** Without a cable to replug: the vehicle's own doors are used. */
    public static SimulatedTool fixedTo(RunningVehicle vehicle) throws IOException {
        return new SimulatedTool(Label.PLAIN, () -> List.of(vehicle), Optional.empty());
    }

    /**
     * @param setups what it can be plugged into; the first is at once
     * @param port where the cable begins; 0 takes a free one
     * @param speed divides the vehicles' own work
     */
    public static SimulatedTool with(
            Label label,
            List<Setup> setups,
            boolean can,
            int port,
            int speed,
            Function<Pack, SimulatedVehicle.World> worlds)
            throws IOException {
        Parked parked = () -> {
            List<RunningVehicle> vehicles = new ArrayList<>();
            for (Setup setup : setups) {
                vehicles.add(new RunningVehicle(
                        setup,
                        can ? RunningVehicle.Doors.CAN : RunningVehicle.Doors.DOIP,
                        speed,
                        worlds.apply(setup.pack())));
            }
            return List.copyOf(vehicles);
        };
        return new SimulatedTool(label, parked, Optional.of(port));
    }

    private static int door(RunningVehicle vehicle) {
        return vehicle.hasCan() ? vehicle.canPort() : vehicle.doipPort();
    }

    /** The vehicle that it is plugged into. */
    public RunningVehicle plugged() {
        return plugged;
    }

    /** @throws java.util.NoSuchElementException when it has no cable of its own */
    public int port() {
        return cable.orElseThrow().port();
    }

    /** @return whether there is such a vehicle */
    boolean plug(String vin) {
        Optional<RunningVehicle> vehicle =
                vehicles.stream().filter(v -> v.vin().equals(vin)).findFirst();
        if (vehicle.isEmpty() || cable.isEmpty()) return false;
        plugged = vehicle.get();
        cable.get().plug(door(plugged));
        return true;
    }

    /**
     * All its vehicles are as they were at first, and so is the interface; what was under way is cut.
     *
     * @return whether it has a cable, so that vehicles can be exchanged behind it
     */
    synchronized boolean renew() throws IOException {
        if (cable.isEmpty()) return false;
        List<RunningVehicle> before = vehicles;
        vehicles = parked.atFirst();
        plugged = vehicles.getFirst();
        firmware = label.firmware();
        wireless = false;
        cable.get().plug(door(plugged));
        for (RunningVehicle vehicle : before) vehicle.close();
        return true;
    }

    /** As it came out of its box, one version behind, or as the maker's program updates it. */
    void firmware(boolean updated) {
        firmware = updated ? label.firmware() : OLD_FIRMWARE;
    }

    void wireless(boolean on) {
        wireless = on;
        plugged.cut(); // going over from one to the other ends what was under way
    }

    /** What the interface tells about itself, and what it can be plugged into. */
    Map<String, Object> look() {
        Map<String, Object> look = new LinkedHashMap<>();
        look.put("name", label.name());
        look.put("serial", label.serial());
        look.put("firmware", firmware);
        look.put("driver", label.driver());
        look.put("link", wireless ? "wireless" : "wired");
        look.put("celsius", plugged.celsius());
        look.put("plugged", plugged.vin());
        Map<String, Object> others = new LinkedHashMap<>();
        if (cable.isPresent()) vehicles.forEach(v -> others.put(v.vin(), v.title()));
        look.put("vehicles", others);
        return look;
    }

    @Override
    public void close() throws IOException {
        if (cable.isPresent()) cable.get().close();
        for (RunningVehicle vehicle : vehicles) vehicle.close();
    }
}
