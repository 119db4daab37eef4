package codrane.standin.fault;

import codrane.link.can.CanFrame;
import codrane.link.can.FrameFault;
import codrane.link.time.Scheduler;
import codrane.standin.module.Disturbance;
import codrane.standin.vehicle.SimulatedVehicle;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Brings about the faults that are asked for. Lives on the vehicle's scheduler; disturbs the frames of its bus. */
public final class FaultBoard implements FrameFault {
    private final SimulatedVehicle vehicle;
    private final Scheduler time;
    private final Outside outside;
    private final List<FrameRule> frames = new ArrayList<>();
    private final Map<String, PowerLoss> powerLosses = new HashMap<>();

    /** What is outside the vehicle: its bus, the cable, the interface. */
    public interface Outside {
        /** A vehicle on its own: nothing there to be pulled out. */
        Outside NOTHING = new Outside() {};

        default void busOff(String module, boolean off) {}

        default void unplugged(boolean out) {}

        /** Nothing passes either way, connections stay. */
        default void mute(boolean on) {}

        default void heat(double celsius) {}

        /** Whether the interface has given up, from heat. */
        default boolean tooHot() {
            return false;
        }
    }

    private static final class FrameRule {
        private final FaultSpec spec;
        private int left;
        private int seen;

        FrameRule(FaultSpec spec) {
            this.spec = spec;
            left = spec.number("count");
        }

        boolean meets(CanFrame frame) {
            boolean meant = spec.id().map(id -> id == frame.id()).orElse(true);
            return meant && ++seen % Math.max(1, spec.number("every")) == 0;
        }
    }

    private static final class PowerLoss {
        private final FaultSpec spec;
        private int blocks;

        PowerLoss(FaultSpec spec) {
            this.spec = spec;
        }
    }

    public FaultBoard(SimulatedVehicle vehicle, Scheduler time, Outside outside) {
        this.vehicle = vehicle;
        this.time = time;
        this.outside = outside;
        vehicle.onBlock(this::blockWritten);
    }

    /** Whether the vehicle has what the fault is about. */
    public boolean fits(FaultSpec spec) {
        return !spec.kind().needsModule() || vehicle.pack().modules().containsKey(spec.module());
    }

    /** Begins the fault, after its own delay. */
    public void bring(FaultSpec spec) {
        Duration after = spec.seconds("after");
        if (after.isZero()) begin(spec);
        else time.after(after, () -> begin(spec));
    }

    private void begin(FaultSpec spec) {
        switch (spec.kind()) {
            case DROP, DELAY, DUPLICATE -> frames.add(new FrameRule(spec));
            case PENDING -> disturbance(spec).storm(spec.number("times"));
            case WRONG -> disturbance(spec).answerWrongly(spec.number("count"));
            case SILENT -> forSeconds(spec, disturbance(spec)::silence);
            case BUS_OFF ->
                forSeconds(spec, off -> {
                    disturbance(spec).silence(off);
                    outside.busOff(spec.module(), off);
                });
            case CABLE -> cable(spec);
            case WIRELESS -> forSeconds(spec, outside::mute);
            case SAG -> vehicle.supply().sag(spec.decimal("volts"), spec.seconds("seconds"));
            case WORN -> vehicle.server(spec.module()).orElseThrow().wear(spec.decimal("percent"));
            case HEAT -> outside.heat(spec.decimal("celsius"));
            case POWER_LOSS -> powerLosses.put(spec.module(), new PowerLoss(spec));
        }
    }

    private Disturbance disturbance(FaultSpec spec) {
        return vehicle.server(spec.module()).orElseThrow().disturbance();
    }

    /** For good when no time is said. */
    private void forSeconds(FaultSpec spec, Consumer<Boolean> state) {
        state.accept(true);
        if (!spec.seconds("seconds").isZero()) time.after(spec.seconds("seconds"), () -> state.accept(false));
    }

    /** Without a time the cable is put in again at once: the connections are gone all the same. */
    private void cable(FaultSpec spec) {
        outside.unplugged(true);
        time.after(spec.seconds("seconds"), () -> outside.unplugged(false));
    }

    private void blockWritten(String module) {
        PowerLoss loss = powerLosses.get(module);
        if (loss == null || ++loss.blocks < loss.spec.number("block")) return;
        powerLosses.remove(module);
        vehicle.losePower(loss.spec.seconds("seconds"));
    }

    /** Ends what lasts: modules speak again, frames pass. */
    public void clear() {
        frames.clear();
        powerLosses.clear();
        vehicle.supply().mend();
        vehicle.servers().forEach(server -> {
            server.disturbance().silence(false);
            outside.busOff(server.module().id(), false);
        });
        outside.mute(false);
        outside.unplugged(false);
    }

    @Override
    public Fate judge(CanFrame frame, long nanos) {
        if (outside.tooHot()) return new Fate.Drop();
        for (Iterator<FrameRule> each = frames.iterator(); each.hasNext(); ) {
            FrameRule rule = each.next();
            if (!rule.meets(frame)) continue;
            if (--rule.left <= 0) each.remove();
            return switch (rule.spec.kind()) {
                case DELAY -> new Fate.Delay(Duration.ofMillis(rule.spec.number("ms")));
                case DUPLICATE -> new Fate.Duplicate();
                default -> new Fate.Drop();
            };
        }
        return DELIVER;
    }
}
