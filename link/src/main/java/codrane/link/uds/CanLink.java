package codrane.link.uds;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.FrameTap;
import codrane.link.can.SocketCanPort;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.PacedTime;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.jspecify.annotations.Nullable;

/** Diagnostics over CAN or CAN FD: an ISO-TP conversation with each module. */
public final class CanLink implements DiagnosticLink {
    /** Over sockets the operating systems on both sides may be late. */
    private static final Duration SOCKET_MARGIN = Duration.ofMillis(400);

    private static final Duration BUS_MARGIN = Duration.ofMillis(20);
    private static final int ADDRESSES = 256;

    /** Longest answer that is taken, octets; far beyond what a module of this world sends, and bounded. */
    private static final int LONGEST_ANSWER = 1 << 20;

    private final Scheduler time;
    private final CanPort port;
    private final PackLink.Can addressing;
    private final Duration margin;
    private final Runnable onClose;
    private final IsoTpSettings settings;
    private final Map<Integer, Integer> addressByResponseId = new HashMap<>();
    private final Map<Integer, IsoTpEndpoint> endpoints = new HashMap<>();
    private @Nullable AwaitedReply awaited;
    private @Nullable AwaitedReplies awaitedAll;
    private volatile boolean lost;

    private CanLink(Scheduler time, CanPort port, PackLink.Can addressing, Duration margin, Runnable onClose) {
        this.time = time;
        this.port = port;
        this.addressing = addressing;
        this.margin = margin;
        this.onClose = onClose;
        settings = IsoTpSettings.STANDARD.withFrames(addressing.frameOctets()).receivingUpTo(LONGEST_ANSWER);
        for (int address = 0; address < ADDRESSES; address++) {
            addressByResponseId.putIfAbsent(addressing.responseId(address), address);
        }
    }

    /** A link on a bus in the same process; the port must be a fresh one. */
    public static CanLink on(Scheduler time, CanPort port, PackLink.Can addressing) {
        CanLink link = new CanLink(time, port, addressing, BUS_MARGIN, () -> {});
        port.listen(link.addressByResponseId::containsKey, link::onFrame);
        return link;
    }

    /** As {@link #open(String, int, PackLink.Can, FrameTap)}, without a record of the frames. */
    public static CanLink open(String host, int port, PackLink.Can addressing) {
        return open(host, port, addressing, (frame, nanos) -> {});
    }

    /**
     * A link to a bus behind a hub.
     *
     * @param tap sees every frame of the bus
     * @throws LinkLostException when nobody listens there
     */
    public static CanLink open(String host, int port, PackLink.Can addressing, FrameTap tap) {
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
        time.execute(() -> {
            socket.tap(tap);
            socket.listen(link.addressByResponseId::containsKey, link::onFrame);
        });
        return link;
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        AwaitedReply reply = new AwaitedReply(time, request, waits, margin);
        time.execute(() -> begin(address, request, reply));
        return await(reply.future());
    }

    @Override
    public List<Heard> requestAll(Bytes request, Waits waits) {
        int head = addressing.addressOctets() + (addressing.frameOctets() > 8 ? 2 : 1);
        int most = addressing.frameOctets() - head;
        if (request.length() > most) {
            throw new IllegalArgumentException("request: " + request.length() + " (expected 1.." + most + " octets)");
        }
        AwaitedReplies replies = new AwaitedReplies(time, request, waits, margin);
        time.execute(() -> beginAll(request, replies));
        return await(replies.future());
    }

    private <T> T await(CompletableFuture<T> future) {
        try {
            return time.await(future);
        } catch (CompletionException e) {
            if (e.getCause() instanceof LinkLostException gone)
                throw new LinkLostException(String.valueOf(gone.getMessage()), gone);
            throw e;
        }
    }

    private void begin(int address, Bytes request, AwaitedReply reply) {
        awaited = reply;
        reply.begun();
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

    private void beginAll(Bytes request, AwaitedReplies replies) {
        awaitedAll = replies;
        if (lost) {
            onLost();
            return;
        }
        for (int address = 0; address < ADDRESSES; address++) listen(address, replies);
        new IsoTpEndpoint(time, port, IsoTpAddressing.toAll(addressing), settings).send(request, outcome -> {
            if (outcome == Outcome.DONE) replies.sent();
            else replies.end();
        });
    }

    private void listen(int address, AwaitedReplies replies) {
        IsoTpEndpoint endpoint = endpoints.computeIfAbsent(address, this::endpoint);
        endpoint.onMessage(message -> replies.onMessage(address, message));
        endpoint.onIncoming(() -> replies.incoming(address));
        endpoint.onBroken(outcome -> replies.broken(address));
    }

    @Override
    public void tell(int address, Bytes request) {
        time.execute(() -> endpoints.computeIfAbsent(address, this::endpoint).send(request, outcome -> {}));
    }

    private IsoTpEndpoint endpoint(int address) {
        return new IsoTpEndpoint(time, port, IsoTpAddressing.toModule(addressing, address), settings);
    }

    private void onFrame(CanFrame frame) {
        IsoTpEndpoint endpoint = endpoints.get(addressByResponseId.get(frame.id()));
        if (endpoint != null) endpoint.onFrame(frame);
    }

    private void onLost() {
        lost = true;
        LinkLostException gone = new LinkLostException("The connection to the interface ended.");
        if (awaited != null) awaited.lost(gone);
        if (awaitedAll != null) awaitedAll.lost(gone);
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
