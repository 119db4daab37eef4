package codrane.standin.vehicle;

import static java.util.Objects.requireNonNull;

import codrane.core.fault.FaultCode;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.VehicleCondition;
import codrane.link.time.Scheduler;
import codrane.standin.module.Gateway;
import codrane.standin.module.Immobiliser;
import codrane.standin.module.ModuleState;
import codrane.standin.module.Pace;
import codrane.standin.module.Surroundings;
import codrane.standin.module.UdsServer;
import java.security.PublicKey;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** A vehicle made from a pack: its modules, controls, supply, gateway and immobiliser. All state lives on one scheduler. */
public final class SimulatedVehicle implements Surroundings {
    private final Pack pack;
    private final Scheduler time;
    private final Pace pace;
    private final Instant begin;
    private final long beginNanos;
    private final Map<Integer, UdsServer> servers = new LinkedHashMap<>();
    private final Controls controls = new Controls();
    private final Supply supply;
    private final Gateway gateway;
    private final Immobiliser immobiliser;
    private final FaultCauses causes;
    private Consumer<String> onBlock = module -> {};
    private boolean asleep;
    private boolean unpowered;
    private long keyTurns;

    /** Position of the key. */
    public enum Key {
        OFF,
        ON,
        RUNNING
    }

    /**
     * The world outside the vehicle.
     *
     * @param begin what the vehicle's clock shows at first
     * @param authority whose grants its gateway accepts
     */
    public record World(Instant begin, PublicKey authority) {
        /** The machine's own time. */
        public static World now(PublicKey authority) {
            return new World(InstantSource.system().instant(), authority);
        }
    }

    public SimulatedVehicle(Setup setup, Scheduler time, Pace pace, World world) {
        pack = setup.pack();
        this.time = time;
        this.pace = pace;
        begin = world.begin();
        beginNanos = time.now();
        supply = new Supply(time, pack.supply());
        gateway = new Gateway(pack.gateway().filter(g -> pack.hasGateway(setup.vin())), setup.vin(), world.authority());
        boolean keysKnown = pack.equipment()
                .immobiliser()
                .map(i -> setup.of(i.master()).paired())
                .orElse(true);
        immobiliser = new Immobiliser(pack.equipment().immobiliser(), setup.vin(), pack.maker(), keysKnown);
        causes = new FaultCauses(pack, this::server, this::silent);
        for (PackModule module : pack.modules().values()) {
            ModuleState state = new ModuleState(pack, module, setup.of(module.id()));
            if (!keysKnown) state.keeperReplaced();
            servers.put(module.address(), new UdsServer(state, this, time, pace));
        }
    }

    @Override
    public Pack pack() {
        return pack;
    }

    public Supply supply() {
        return supply;
    }

    /** All modules, those too that are not there. */
    public Collection<UdsServer> servers() {
        return servers.values();
    }

    /** @return empty when the pack has no such module */
    public Optional<UdsServer> server(String module) {
        return Optional.ofNullable(pack.modules().get(module)).map(m -> servers.get(m.address()));
    }

    public Key key() {
        return Key.values()[controls.position(Sensor.KEY)];
    }

    /** Turns the key. Off for long enough, the vehicle sleeps; while its start is inhibited the engine does not run. */
    public void key(Key position) {
        boolean wasOff = controls.keyOff();
        int number = switch (position) {
            case OFF -> 0;
            case ON -> 1;
            case RUNNING -> controls.holds(VehicleCondition.START_INHIBITED) ? 1 : 2;
        };
        move(Sensor.KEY, number);
        supply.key(number != 0);
        if (number == 0 && !wasOff) {
            servers.values().forEach(UdsServer::powerLost);
            long turn = ++keyTurns;
            time.after(pack.equipment().asleepAfter().dividedBy(pace.speed()), () -> fallAsleep(turn));
        }
        if (number != 0 && wasOff) {
            asleep = false;
            keyTurns++;
            immobiliser.keyTurned(now());
            servers.values().forEach(UdsServer::wake);
        }
    }

    private void fallAsleep(long turn) {
        if (turn != keyTurns) return; // the key was turned since
        asleep = true;
        servers.values().forEach(server -> server.state().slept());
    }

    public boolean asleep() {
        return asleep;
    }

    /** @param position see {@link Sensor} */
    public void move(Sensor sensor, int position) {
        controls.move(sensor, position);
    }

    /** What a person does who is asked for these conditions; the key is on at least. */
    public void bringAbout(List<VehicleCondition> conditions) {
        conditions.stream().filter(c -> c.sensor() != Sensor.KEY).forEach(c -> move(c.sensor(), c.position()));
        boolean running = conditions.contains(VehicleCondition.ENGINE_RUNNING);
        if (running) move(Sensor.START, 0);
        key(running ? Key.RUNNING : Key.ON);
    }

    /** Another workshop updated a module. */
    public void updatedElsewhere(String module) {
        server(module).orElseThrow().state().updatedElsewhere(now());
    }

    /** Cuts the vehicle's own supply: what is not kept is forgotten. */
    public void losePower(Duration span) {
        unpowered = true;
        servers.values().forEach(UdsServer::powerLost);
        time.after(span, () -> unpowered = false);
    }

    /** Told after each block of a download, with the module's id; for faults at a chosen block. */
    public void onBlock(Consumer<String> listener) {
        onBlock = listener;
    }

    /** @param respond takes each response; a request to an address that is not there is answered by silence */
    public void request(int address, Bytes request, boolean functional, Consumer<Bytes> respond) {
        UdsServer server = servers.get(address);
        if (server != null && awake(server)) server.handle(request, functional, respond);
    }

    /** With the key off only the module that knows the key's position is there, until all sleep. */
    private boolean awake(UdsServer server) {
        if (unpowered || asleep) return false;
        return !controls.keyOff() || server.module().id().equals(pack.key().module());
    }

    private boolean silent(UdsServer server) {
        return server.unreachable();
    }

    @Override
    public double volts() {
        return unpowered ? 0 : supply.volts();
    }

    @Override
    public void programming(boolean under) {
        supply.programming(under);
    }

    @Override
    public void restarted(Duration turnsKey) {
        if (turnsKey.isZero() || controls.keyOff()) return;
        Key was = key();
        key(Key.OFF);
        time.after(turnsKey.dividedBy(pace.speed()), () -> {
            if (controls.keyOff()) key(was);
        });
    }

    @Override
    public boolean holds(VehicleCondition condition) {
        return controls.holds(condition);
    }

    @Override
    public int position(Sensor sensor) {
        return controls.position(sensor);
    }

    @Override
    public Passage passage(PackModule module, int service) {
        return gateway.passage(module, service, now());
    }

    @Override
    public Gateway gateway() {
        return gateway;
    }

    @Override
    public Immobiliser immobiliser() {
        return immobiliser;
    }

    @Override
    public Bytes vinOf(String module) {
        return server(module)
                .filter(server -> !server.unreachable())
                .map(server -> server.state().vin())
                .orElse(Bytes.filled(17, 0xFF));
    }

    @Override
    public boolean pairable(int address) {
        List<String> members = pack.equipment().immobiliser().orElseThrow().members();
        return servers.values().stream()
                .filter(server -> server.module().address() == address
                        && members.contains(server.module().id()))
                .anyMatch(server -> !server.unreachable());
    }

    @Override
    public void pair(int address) {
        requireNonNull(servers.get(address)).pair();
        server(pack.equipment().immobiliser().orElseThrow().master())
                .ifPresent(UdsServer::pair); // it keeps a secret of this vehicle from now on
    }

    @Override
    public Set<FaultCode> arising(PackModule module) {
        return causes.arising(module);
    }

    @Override
    public Set<FaultCode> canArise(PackModule module) {
        return causes.canArise(module);
    }

    @Override
    public void blockWritten(PackModule module) {
        onBlock.accept(module.id());
    }

    @Override
    public Bytes vehicleVin() {
        return causes.vehicleVin();
    }

    @Override
    public Instant now() {
        return begin.plusNanos(time.now() - beginNanos);
    }

    /** What a microphone hears in it: {@code vin}, {@code hz}, {@code db}; empty when it announces nothing. */
    public Optional<Map<String, Object>> heard() {
        return Loudspeakers.heard(this);
    }

    /** A look inside, for tests and the page of the vehicle in the next room. */
    public Map<String, Object> look() {
        return new VehicleLook(this).look();
    }
}
