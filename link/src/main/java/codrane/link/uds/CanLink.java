package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.SocketCanPort;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.PacedTime;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CompletionException;

/** Diagnostics over CAN: an ISO-TP conversation with each module. */
public final class CanLink implements DiagnosticLink {
    /** Over sockets the operating systems on both sides may be late. */
    private static final Duration SOCKET_MARGIN = Duration.ofMillis(400);

    private static final Duration BUS_MARGIN = Duration.ofMillis(20);

    private final Scheduler time;
    private final CanPort port;
    private final PackLink.Can addressing;
    private final Duration margin;
    private final Runnable onClose;
    private final Map<Integer, IsoTpEndpoint> endpoints = new HashMap<>();
    private AwaitedReply awaited;
    private volatile boolean lost;

    private CanLink(Scheduler time, CanPort port, PackLink.Can addressing, Duration margin, Runnable onClose) {
        this.time = time;
        this.port = port;
        this.addressing = addressing;
        this.margin = margin;
        this.onClose = onClose;
    }

    /** A link on a bus in the same process; the port must be a fresh one. */
    public static CanLink on(Scheduler time, CanPort port, PackLink.Can addressing) {
        CanLink link = new CanLink(time, port, addressing, BUS_MARGIN, () -> {});
        port.listen(link::onFrame);
        return link;
    }

    /**
     * A link to a bus behind a hub.
     *
     * @throws LinkLostException when nobody listens there
     */
    public static CanLink open(String host, int port, PackLink.Can addressing) {
        PacedTime time = new PacedTime("can-link");
        CanLink[] self = new CanLink[1];
        SocketCanPort socket;
        try {
            socket = new SocketCanPort(host, port, time, () -> self[0].onLost());
        } catch (LinkLostException e) {
            time.close();
            throw e;
        }
        CanLink link = new CanLink(time, socket, addressing, SOCKET_MARGIN, () -> {
            socket.close();
            time.close();
        });
        self[0] = link;
        time.execute(() -> socket.listen(link::onFrame));
        return link;
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        AwaitedReply reply = new AwaitedReply(time, request, waits, margin);
        time.execute(() -> begin(address, request, reply));
        try {
            return time.await(reply.future());
        } catch (CompletionException e) {
            if (e.getCause() instanceof LinkLostException gone) throw new LinkLostException(gone.getMessage(), gone);
            throw e;
        }
    }

    private void begin(int address, Bytes request, AwaitedReply reply) {
        awaited = reply;
        if (lost) {
            onLost();
            return;
        }
        IsoTpEndpoint endpoint = endpoints.computeIfAbsent(address, this::endpoint);
        endpoint.onMessage(reply::onMessage);
        endpoint.onIncoming(reply::incoming);
        endpoint.onBroken(outcome -> reply.giveUp());
        endpoint.send(request, outcome -> {
            if (outcome == Outcome.DONE) reply.sent();
            else reply.giveUp();
        });
    }

    @Override
    public void tell(int address, Bytes request) {
        time.execute(() -> endpoints.computeIfAbsent(address, this::endpoint).send(request, outcome -> {}));
    }

    private IsoTpEndpoint endpoint(int address) {
        return new IsoTpEndpoint(
                time,
                port,
                new IsoTpEndpoint.Addressing(
                        addressing.requestId(address), addressing.responseId(address), addressing.extended()),
                IsoTpSettings.STANDARD);
    }

    private void onFrame(CanFrame frame) {
        endpoints.values().forEach(endpoint -> endpoint.onFrame(frame));
    }

    private void onLost() {
        lost = true;
        if (awaited != null) awaited.lost(new LinkLostException("The connection to the interface ended."));
    }

    @Override
    public boolean lost() {
        return lost;
    }

    @Override
    public void close() {
        onClose.run();
    }
}
