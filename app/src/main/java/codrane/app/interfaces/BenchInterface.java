package codrane.app.interfaces;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings.InterfaceSettings;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Position;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.part.SerialMask;
import codrane.core.power.SupplyReading;
import codrane.core.tool.ToolFacts;
import codrane.core.tool.ToolLook;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipLink;
import codrane.link.scan.VehicleScanner;
import codrane.link.trace.TraceRing;
import codrane.link.uds.CanLink;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** One interface on this node: its link, used by one at a time, and the last two minutes of its meter. */
public final class BenchInterface {
    /** Said where no interface fits a vehicle. */
    public static final String NONE_SPEAKS = "No interface on this computer speaks to this vehicle.";

    private static final int MOST_SAMPLES = 600;
    private static final long PATIENCE_MILLIS = 1500;
    private static final int ASLEEP_AFTER = 3;

    private final InterfaceSettings settings;
    private final ControlPortClient control;
    private final ReentrantLock inUse = new ReentrantLock();
    private final Deque<SupplyReading> samples = new ArrayDeque<>();
    private final TraceRing trace = new TraceRing(TraceRing.STANDARD);
    private @Nullable DiagnosticLink link;
    private String opened = "";
    private volatile Optional<Integer> key = Optional.empty();
    private volatile boolean answered;
    /** What asks a vehicle keeps it awake: it is left alone when its key is off, or when it answers no more. */
    private volatile boolean resting;

    private int unanswered;

    BenchInterface(InterfaceSettings settings, ControlPortClient control) {
        this.settings = settings;
        this.control = control;
    }

    /** The interface is being used by something else. */
    public static final class BusyException extends RuntimeException {
        BusyException(String name) {
            super(name + " is in use: wait until what runs has ended.");
        }
    }

    public String name() {
        return settings.name();
    }

    public boolean fits(Pack pack) {
        boolean classicCan =
                pack.link() instanceof PackLink.Can can && can.dataBitrate().isEmpty();
        return settings.kind().equals(classicCan ? "can" : "doip"); // CAN FD lies behind an edge node
    }

    public ControlPortClient control() {
        return control;
    }

    /**
     * Uses the link; opened when needed.
     *
     * @throws LinkLostException when it can't be opened or is lost meanwhile; the next use opens it anew
     * @throws BusyException when something else uses it
     */
    public <T> T use(Pack pack, Function<DiagnosticLink, T> work) {
        takeUse();
        try {
            boolean gone = link != null && link.lost(); // while nobody used it: a cable was pulled or replugged
            if (gone || link != null && !opened.equals(pack.id())) drop(); // or another model's identifiers and rates
            if (link == null) link = open(pack);
            opened = pack.id();
            T result = work.apply(link);
            answered = true;
            resting = false;
            unanswered = 0;
            return result;
        } catch (LinkLostException e) {
            drop();
            throw e;
        } finally {
            if (link != null && link.lost()) drop(); // a run tells its loss as a result, not as an exception
            inUse.unlock();
        }
    }

    /**
     * Uses the legislated diagnostics: on CAN over identifiers of their own, and so over a link of their own.
     *
     * @throws LinkLostException when it can't be opened or is lost meanwhile
     */
    public <T> T useLegislated(Pack pack, Function<DiagnosticLink, T> work) {
        if (!(pack.link() instanceof PackLink.Can can) || !settings.kind().equals("can")) return use(pack, work);
        takeUse();
        try (DiagnosticLink own = CanLink.open(settings.host(), settings.port(), can.legislated(), trace)) {
            return work.apply(own);
        } finally {
            inUse.unlock();
        }
    }

    /** A poll of the key may be under way for a moment; anything longer is somebody else's work. */
    private void takeUse() {
        try {
            if (!inUse.tryLock(PATIENCE_MILLIS, TimeUnit.MILLISECONDS)) throw new BusyException(name());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new BusyException(name());
        }
    }

    /** Closes the link, so that the next use opens it anew. For the thread that uses it. */
    private void drop() {
        answered = false;
        key = Optional.empty();
        if (link != null) link.close();
        link = null;
    }

    private DiagnosticLink open(Pack pack) {
        String host = settings.host();
        if (settings.kind().equals("can"))
            return CanLink.open(host, settings.port(), (PackLink.Can) pack.link(), trace);
        PackLink.Doip doip = pack.link() instanceof PackLink.Doip own ? own : PackLink.Doip.STANDARD;
        return DoipLink.open(host, settings.port(), doip, trace);
    }

    /** The last of what was on the wire. */
    public TraceRing trace() {
        return trace;
    }

    /**
     * Reads the key's position of the vehicle that answered last, if nothing else uses the link. With the key off it is let
     * rest, until somebody uses it again.
     */
    void pollKey(PackShelf packs) {
        if (!answered || resting || !inUse.tryLock()) return;
        try {
            if (link != null) resting = rests(readKey(packs.get(opened), link));
        } catch (LinkLostException e) {
            drop();
        } finally {
            inUse.unlock();
        }
    }

    /** One answer that is missing says little: the module may be busy. */
    private boolean rests(Optional<Integer> position) {
        unanswered = position.isPresent() ? 0 : unanswered + 1;
        return position.map(p -> p == 0).orElse(unanswered >= ASLEEP_AFTER);
    }

    /** @return 0 off, 1 on, 2 engine running; empty when the vehicle does not tell */
    public Optional<Integer> readKey(Pack pack, DiagnosticLink open) {
        return readPosition(pack, open, Sensor.KEY);
    }

    /**
     * Where something stands that a person moves.
     *
     * @param sensor one that the pack knows
     * @return see {@link Sensor}; empty when the vehicle does not tell
     */
    public Optional<Integer> readPosition(Pack pack, DiagnosticLink open, Sensor sensor) {
        Position at =
                java.util.Objects.requireNonNull(pack.equipment().sensors().get(sensor));
        Optional<Integer> position = new VehicleScanner(open, pack)
                .data(pack.module(at.module()), at.dataIdentifier())
                .filter(octets -> octets.length() == 1)
                .map((Bytes octets) -> octets.u8(0));
        if (sensor == Sensor.KEY) key = position;
        return position;
    }

    /** As last read. */
    public Optional<Integer> key() {
        return key;
    }

    /** Whether the vehicle is not asked any more, so that it can fall asleep. */
    public boolean resting() {
        return resting;
    }

    /** Whether the link is open and has answered. */
    public boolean answered() {
        return answered;
    }

    /** Temperature of the interface, or empty when it does not tell. */
    public Optional<Double> celsius() {
        return tool().map(ToolLook::celsius);
    }

    /** What the interface told about itself when it was sampled last; empty when it does not answer. */
    public Optional<ToolLook> tool() {
        return control.tool();
    }

    /** Versions that the workshop uses with it. */
    public ToolFacts.Versions wanted() {
        return new ToolFacts.Versions(settings.driver(), settings.firmware());
    }

    /** Form of its serial numbers. */
    public SerialMask serialMask() {
        return SerialMask.parse(settings.serialMask()).orElseThrow();
    }

    synchronized void sample() {
        Optional<SupplyReading> reading = control.read();
        reading.ifPresent(samples::addLast);
        while (samples.size() > MOST_SAMPLES) samples.removeFirst();
    }

    /** Oldest first, at most two minutes. */
    public synchronized List<SupplyReading> samples() {
        return new ArrayList<>(samples);
    }
}
