package codrane.standin.module;

import static java.util.Objects.requireNonNull;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.LiveValue;
import codrane.core.pack.PackModule;
import codrane.link.time.Scheduler;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Values that follow key and engine, each with its own time, unless a tester adjusts them. */
final class LiveValues {
    /** Vehicles differ by so many times what a value moves by itself. */
    private static final double OWN_WAY = 1.5;

    private final PackModule module;
    private final Surroundings around;
    private final Scheduler time;
    private final Map<Integer, Double> values = new HashMap<>();
    private final Map<Integer, Bytes> adjusted = new HashMap<>();
    private long last;
    private double worn = 1;

    LiveValues(PackModule module, Surroundings around, Scheduler time) {
        this.module = module;
        this.around = around;
        this.time = time;
        last = time.now();
        for (LiveValue live : module.live())
            values.put(live.identifier(), live.behaviour().off());
    }

    /** The octets of a live value, or empty when the module has none there. */
    Optional<Bytes> read(int dataIdentifier) {
        Optional<Bytes> position = position(dataIdentifier);
        if (position.isPresent()) return position;
        follow();
        return find(dataIdentifier)
                .map(live -> Optional.ofNullable(adjusted.get(dataIdentifier))
                        .orElseGet(() -> octets(live.scaling(), now(live))));
    }

    private Optional<Bytes> position(int dataIdentifier) {
        return around.pack().equipment().sensors().entrySet().stream()
                .filter(e -> e.getValue().module().equals(module.id()))
                .filter(e -> e.getValue().dataIdentifier() == dataIdentifier)
                .findFirst()
                .map(e -> Bytes.of(around.position(e.getKey())));
    }

    Optional<LiveValue> find(int dataIdentifier) {
        return module.live().stream()
                .filter(l -> l.identifier() == dataIdentifier)
                .findFirst();
    }

    void adjust(int dataIdentifier, Bytes value) {
        adjusted.put(dataIdentifier, value);
    }

    /** The module has control again. */
    void release(int dataIdentifier) {
        adjusted.remove(dataIdentifier);
    }

    void releaseAll() {
        adjusted.clear();
    }

    private void follow() {
        double seconds = (time.now() - last) / 1e9;
        last = time.now();
        for (LiveValue live : module.live()) {
            double share = live.behaviour().seconds() == 0
                    ? 1
                    : 1 - Math.exp(-seconds / live.behaviour().seconds());
            values.merge(live.identifier(), target(live), (was, goal) -> was + (goal - was) * share);
        }
    }

    private double target(LiveValue live) {
        return switch (around.position(Sensor.KEY)) {
            case 0 -> live.behaviour().off();
            case 1 -> live.behaviour().on();
            default -> live.behaviour().running();
        };
    }

    /** @param percent by which everything that is measured here is too high from now on */
    void wear(double percent) {
        worn = 1 + percent / 100;
    }

    private double now(LiveValue live) {
        double wave = Math.sin(time.now() / 0.9e9 + live.identifier());
        return worn
                * (requireNonNull(values.get(live.identifier()))
                        + live.behaviour().ripple() * (wave + OWN_WAY * ownWay(live)));
    }

    /** No two vehicles are alike: -1 to 1, always the same for one of them. */
    private double ownWay(LiveValue live) {
        int mixed = (around.vehicleVin().hex() + live.key()).hashCode() * 0x9E3779B1;
        return (mixed >> 8) / (double) (1 << 23);
    }

    static Bytes octets(LiveValue.Scaling scaling, double value) {
        Bytes all = FlashMemory.u32(scaling.raw(value));
        return all.from(4 - scaling.octets());
    }
}
