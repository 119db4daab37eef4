package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.core.vin.Vin;
import codrane.link.LoopbackServer;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.DoipEntityStatusResponse;
import codrane.link.doip.DoipMessage.VehicleAnnouncement;
import java.io.IOException;
import java.net.Socket;
import java.time.Duration;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * A DoIP entity on TCP and UDP of one port: discovery and announcement, routing for several testers, alive checks, power
 * mode, entity status. Source: unchecked (ISO 13400-2).
 */
public final class DoipEntity implements AutoCloseable {
    /** Logical address of the entity itself. */
    public static final int ADDRESS = 0x1000;

    static final int MOST_TESTERS = 4;
    private static final int MOST_TRIES = 20;

    private final Vin vin;
    private final DoipBackend backend;
    private final Timers timers;
    private final List<DoipTester> testers = new CopyOnWriteArrayList<>();
    private final LoopbackServer tcp;
    private final DoipAnnouncer udp;
    private volatile boolean mute;
    private volatile boolean ready = true;

    /**
     * @param initial until routing must be activated
     * @param general without any message
     * @param alive until an alive check must be answered
     */
    public record Timers(Duration initial, Duration general, Duration alive) {
        public static final Timers STANDARD =
                new Timers(Duration.ofSeconds(2), Duration.ofMinutes(5), Duration.ofMillis(500));
    }

    /**
     * @param port of TCP and UDP; 0 takes a free one
     * @param announceTo port on loopback to which the vehicle announces itself at first; 0: to none
     */
    public DoipEntity(Vin vin, DoipBackend backend, int port, int announceTo, Timers timers) throws IOException {
        this.vin = vin;
        this.backend = backend;
        this.timers = timers;
        Sockets sockets = open(port, announceTo);
        tcp = sockets.tcp();
        udp = sockets.udp();
    }

    private record Sockets(LoopbackServer tcp, DoipAnnouncer udp) {}

    /** A free port of TCP may be taken on UDP: then another is tried. */
    private Sockets open(int port, int announceTo) throws IOException {
        for (int left = port == 0 ? MOST_TRIES : 1; ; left--) {
            LoopbackServer server = new LoopbackServer("doip-entity", port, this::serve);
            try {
                return new Sockets(server, new DoipAnnouncer(this, server.port(), announceTo));
            } catch (IOException e) {
                server.close();
                if (left == 1) throw e;
            }
        }
    }

    public int port() {
        return tcp.port();
    }

    private void serve(Socket socket) throws IOException {
        DoipTester tester = new DoipTester(this, socket, timers);
        testers.add(tester);
        try {
            tester.serve();
        } finally {
            testers.remove(tester);
        }
    }

    DoipBackend backend() {
        return backend;
    }

    /**
     * Whether another tester may be registered, and if not, why. Testers that are there already are asked whether they
     * live; those that do not answer are cut off.
     *
     * @return 0x10, 0x01 or 0x03
     */
    synchronized int register(DoipTester asking, int source) {
        Optional<DoipTester> same = testers.stream()
                .filter(t -> t != asking && t.source() == source)
                .findFirst();
        if (same.isPresent()) return same.get().isAlive() ? 0x03 : DoipMessage.RoutingActivationResponse.ACTIVATED;
        if (registered() < MOST_TESTERS) return DoipMessage.RoutingActivationResponse.ACTIVATED;
        for (Iterator<DoipTester> each = testers.iterator(); each.hasNext(); ) {
            DoipTester tester = each.next();
            if (tester != asking && !tester.isAlive()) return DoipMessage.RoutingActivationResponse.ACTIVATED;
        }
        return 0x01;
    }

    private int registered() {
        return (int) testers.stream().filter(t -> t.source() >= 0).count();
    }

    VehicleAnnouncement announcement() {
        return new VehicleAnnouncement(Bytes.ascii(vin.text()), ADDRESS, eid(), eid(), 0x00, Optional.of(0x00));
    }

    /** A station address of the locally administered kind, from the VIN's end. */
    Bytes eid() {
        return Bytes.of(0x02, 0x00).plus(Bytes.ascii(vin.text().substring(13)));
    }

    DoipEntityStatusResponse status() {
        return new DoipEntityStatusResponse(0, MOST_TESTERS, registered(), backend.longest());
    }

    DoipMessage.DiagnosticPowerModeInformationResponse powerMode() {
        return new DoipMessage.DiagnosticPowerModeInformationResponse(ready ? 0x01 : 0x00);
    }

    /** Whether diagnostics are possible now: the key is on. */
    public void ready(boolean now) {
        ready = now;
    }

    /** Neither hears nor speaks, as when the wireless link is lost; connections stay. */
    public void mute(boolean on) {
        mute = on;
    }

    boolean muted() {
        return mute;
    }

    /** Cuts all testers off. */
    public void cut() {
        tcp.cut();
    }

    /** Nobody gets in, as with the cable out. */
    public void unplugged(boolean on) {
        tcp.refuse(on);
    }

    @Override
    public void close() throws IOException {
        udp.close();
        tcp.close();
    }
}
