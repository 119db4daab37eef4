package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipMessage.AliveRequest;
import codrane.link.doip.DoipMessage.AliveResponse;
import codrane.link.doip.DoipMessage.Diagnostic;
import codrane.link.doip.DoipMessage.DiagnosticNegative;
import codrane.link.doip.DoipMessage.RoutingRequest;
import codrane.link.doip.DoipMessage.RoutingResponse;
import codrane.link.uds.Answer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;

/** Diagnostics over DoIP: one TCP connection with activated routing. */
public final class DoipLink implements DiagnosticLink {
    private static final int CONNECT_MILLIS = 2000;
    private static final Duration ACTIVATION_WAIT = Duration.ofSeconds(2);
    private static final Duration MARGIN = Duration.ofMillis(400);
    private static final Duration LONGEST_PENDING = Duration.ofMinutes(5);

    private final PackLink.Doip addressing;
    private final Socket socket;
    private final BlockingQueue<DoipStream.Arrival> arrivals = new LinkedBlockingQueue<>();
    private volatile boolean lost;

    private DoipLink(Socket socket, PackLink.Doip addressing) {
        this.socket = socket;
        this.addressing = addressing;
    }

    /** @throws LinkLostException when nobody listens there, or routing is not activated */
    public static DoipLink open(String host, int port, PackLink.Doip addressing) {
        Socket socket = new Socket();
        try {
            socket.setTcpNoDelay(true);
            socket.connect(new InetSocketAddress(host, port), CONNECT_MILLIS);
        } catch (IOException e) {
            throw new LinkLostException(
                    "The vehicle at " + host + ":" + port + " does not answer: " + e.getMessage(), e);
        }
        DoipLink link = new DoipLink(socket, addressing);
        Thread.ofVirtual().name("doip-link").start(link::read);
        link.activate();
        return link;
    }

    private void read() {
        try {
            DoipStream stream = new DoipStream(socket.getInputStream());
            for (DoipStream.Arrival arrival = stream.next(); ; arrival = stream.next()) {
                if (arrival instanceof DoipStream.Arrival.Message(AliveRequest m))
                    send(new AliveResponse(addressing.testerAddress()));
                else arrivals.add(arrival);
                if (arrival instanceof DoipStream.Arrival.End) return;
            }
        } catch (IOException e) {
            arrivals.add(new DoipStream.Arrival.End());
        }
    }

    private void activate() {
        send(new RoutingRequest(addressing.testerAddress(), 0));
        long end = System.nanoTime() + ACTIVATION_WAIT.toNanos();
        while (true) {
            Optional<DoipMessage> message = next(end);
            if (message.isEmpty()) {
                close();
                throw new LinkLostException("The vehicle did not answer the routing activation.");
            }
            if (message.get() instanceof RoutingResponse response) {
                if (response.code() == RoutingResponse.ACTIVATED) return;
                close();
                throw new LinkLostException(
                        "The vehicle refused the routing activation with code %02X.".formatted(response.code()));
            }
        }
    }

    @Override
    public Reply request(int address, Bytes request, Waits waits) {
        int target = addressing.logicalAddress(address);
        send(new Diagnostic(addressing.testerAddress(), target, request));
        long start = System.nanoTime();
        long end = start + waits.p2().plus(MARGIN).toNanos();
        while (true) {
            Optional<DoipMessage> message = next(end);
            if (message.isEmpty()) return new Reply.Silent(Duration.ofNanos(System.nanoTime() - start));
            switch (message.get()) {
                case DiagnosticNegative negative -> {
                    return new Reply.Silent(Duration.ofNanos(System.nanoTime() - start));
                }
                case Diagnostic(int source, int to, Bytes data)
                when source == target -> {
                    Answer answer = Answer.judge(request, data);
                    if (answer instanceof Answer.Final(Reply reply)) return reply;
                    boolean tooLong = System.nanoTime() - start > LONGEST_PENDING.toNanos();
                    if (answer instanceof Answer.Pending && !tooLong)
                        end = System.nanoTime() + waits.p2Star().plus(MARGIN).toNanos();
                }
                default -> {} // acknowledgements, and late answers of other modules
            }
        }
    }

    @Override
    public void tell(int address, Bytes request) {
        send(new Diagnostic(addressing.testerAddress(), addressing.logicalAddress(address), request));
    }

    private synchronized void send(DoipMessage message) {
        try {
            socket.getOutputStream().write(message.encode().toArray());
        } catch (IOException e) {
            lost = true;
            throw new LinkLostException("The connection to the vehicle ended.", e);
        }
    }

    private Optional<DoipMessage> next(long end) {
        try {
            DoipStream.Arrival arrival = arrivals.poll(Math.max(0, end - System.nanoTime()), TimeUnit.NANOSECONDS);
            return switch (arrival) {
                case null -> Optional.empty();
                case DoipStream.Arrival.Message(DoipMessage message) -> Optional.of(message);
                case DoipStream.Arrival.Bad bad ->
                    throw new LinkLostException("The vehicle sent what is no DoIP message.");
                case DoipStream.Arrival.End e -> {
                    lost = true;
                    arrivals.add(e); // every later request learns it too
                    throw new LinkLostException("The connection to the vehicle ended.");
                }
            };
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new LinkLostException("Interrupted while waiting for an answer.", e);
        }
    }

    @Override
    public boolean lost() {
        return lost;
    }

    @Override
    public void close() {
        try {
            socket.close();
        } catch (IOException e) {
            throw new LinkLostException("closing failed", e);
        }
    }
}
