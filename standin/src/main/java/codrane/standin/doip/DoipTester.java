package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.link.doip.DoipLink;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.AliveCheckRequest;
import codrane.link.doip.DoipMessage.AliveCheckResponse;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessageNegativeAcknowledge;
import codrane.link.doip.DoipMessage.DiagnosticMessagePositiveAcknowledge;
import codrane.link.doip.DoipMessage.GenericHeaderNegativeAcknowledge;
import codrane.link.doip.DoipMessage.RoutingActivationRequest;
import codrane.link.doip.DoipMessage.RoutingActivationResponse;
import codrane.link.doip.DoipStream;
import codrane.link.doip.DoipStream.Arrival;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** One tester's connection to an entity. */
final class DoipTester {
    private static final int FIRST_TESTER = 0x0E00;
    private static final int LAST_TESTER = 0x0FFF;
    /** Default, and that of the legislated diagnostics. */
    private static final Set<Integer> ACTIVATIONS = Set.of(0x00, 0x01);

    private final DoipEntity entity;
    private final Socket socket;
    private final DoipStream in;
    private final OutputStream out;
    private final DoipEntity.Timers timers;
    private volatile int source = -1;
    private volatile CountDownLatch alive = new CountDownLatch(0);

    DoipTester(DoipEntity entity, Socket socket, DoipEntity.Timers timers) throws IOException {
        this.entity = entity;
        this.socket = socket;
        this.timers = timers;
        in = new DoipStream(socket.getInputStream());
        out = socket.getOutputStream();
    }

    /** Logical address of the tester, or -1 while routing is not activated. */
    int source() {
        return source;
    }

    void serve() throws IOException {
        try {
            boolean open = true;
            while (open) open = next();
        } catch (SocketTimeoutException e) {
            // nothing came for too long: the connection is closed
        }
    }

    /** @return false when the connection is to be closed */
    private boolean next() throws IOException {
        Duration patience = source < 0 ? timers.initial() : timers.general();
        socket.setSoTimeout((int) patience.toMillis());
        Arrival arrival = in.next();
        if (entity.muted()) return !(arrival instanceof Arrival.End);
        return switch (arrival) {
            case Arrival.End end -> false;
            case Arrival.Bad(int code, boolean fatal) -> {
                send(new GenericHeaderNegativeAcknowledge(code));
                yield !fatal;
            }
            case Arrival.Message(DoipMessage message) -> take(message);
        };
    }

    private boolean take(DoipMessage message) throws IOException {
        switch (message) {
            case RoutingActivationRequest request -> {
                int code = activation(request);
                if (code == RoutingActivationResponse.ACTIVATED) source = request.source();
                send(new RoutingActivationResponse(request.source(), DoipEntity.ADDRESS, code));
                return code == RoutingActivationResponse.ACTIVATED;
            }
            case DiagnosticMessage diagnostic -> {
                return diagnostic(diagnostic);
            }
            case AliveCheckRequest request -> send(new AliveCheckResponse(DoipEntity.ADDRESS));
            case AliveCheckResponse response -> alive.countDown();
            default -> {} // not for a connection: what UDP is for, and answers nobody asked for
        }
        return true;
    }

    private int activation(RoutingActivationRequest request) {
        boolean known = request.source() >= FIRST_TESTER && request.source() <= LAST_TESTER;
        if (!known) return 0x00;
        if (source >= 0 && source != request.source()) return 0x02;
        if (!ACTIVATIONS.contains(request.activation())) return 0x06;
        return source >= 0 ? RoutingActivationResponse.ACTIVATED : entity.register(this, request.source());
    }

    private boolean diagnostic(DiagnosticMessage message) throws IOException {
        if (message.source() != source) {
            send(new DiagnosticMessageNegativeAcknowledge(message.target(), message.source(), 0x02));
            return false;
        }
        boolean functional = message.target() == DoipLink.FUNCTIONAL;
        int address = message.target() - DoipEntity.ADDRESS;
        DoipBackend backend = entity.backend();
        if (!functional && (address < 0 || address > 0xFF || !backend.knows(address))) {
            send(new DiagnosticMessageNegativeAcknowledge(message.target(), message.source(), 0x03));
        } else if (!backend.carries(message.userData().length(), functional)) {
            send(new DiagnosticMessageNegativeAcknowledge(
                    message.target(), message.source(), 0x04)); // not acknowledged, and then lost
        } else {
            send(new DiagnosticMessagePositiveAcknowledge(message.target(), message.source()));
            backend.request(address, message.userData(), functional, this::answer);
        }
        return true;
    }

    private void answer(int address, Bytes response) {
        try {
            if (!entity.muted()) send(new DiagnosticMessage(DoipEntity.ADDRESS + address, source, response));
        } catch (IOException e) {
            // the tester is gone: its answer is lost, as on a real line
        }
    }

    /** Asks whether the tester is still there, and cuts it off when it does not say so in time. */
    boolean isAlive() {
        CountDownLatch answered = new CountDownLatch(1);
        alive = answered;
        try {
            send(new AliveCheckRequest());
            if (answered.await(timers.alive().toMillis(), TimeUnit.MILLISECONDS)) return true;
            source = -1;
            socket.close();
        } catch (IOException e) {
            source = -1; // it is gone already
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return false;
    }

    private void send(DoipMessage message) throws IOException {
        synchronized (out) {
            message.encode().to(out::write);
        }
    }
}
