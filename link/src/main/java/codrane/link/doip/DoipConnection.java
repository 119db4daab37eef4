package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipMessage.AliveCheckRequest;
import codrane.link.doip.DoipMessage.AliveCheckResponse;
import codrane.link.doip.DoipStream.Arrival;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;

/**
 * A tester's TCP connection. Whoever waits for a message reads it from the socket itself, which spares a change of
 * threads for each; while nobody waits, a thread of its own answers alive checks and notices the end.
 */
final class DoipConnection implements AutoCloseable {
    private static final int CONNECT_MILLIS = 2000;
    private static final int IDLE_MILLIS = 150;

    private final Socket socket;
    private final DoipStream in;
    private final int testerAddress;
    private final DoipTap tap;
    private final ReentrantLock reading = new ReentrantLock();
    private volatile boolean lost;

    private DoipConnection(Socket socket, int testerAddress, DoipTap tap) throws IOException {
        this.socket = socket;
        this.testerAddress = testerAddress;
        this.tap = tap;
        in = new DoipStream(socket.getInputStream());
    }

    /** @throws LinkLostException when nobody listens there */
    static DoipConnection open(String host, int port, int testerAddress, DoipTap tap) {
        Socket socket = new Socket();
        try {
            socket.setTcpNoDelay(true);
            socket.connect(new InetSocketAddress(host, port), CONNECT_MILLIS);
            DoipConnection connection = new DoipConnection(socket, testerAddress, tap);
            Thread.ofPlatform().daemon().name("doip-idle").start(connection::whileIdle);
            return connection;
        } catch (IOException e) {
            throw new LinkLostException(
                    "The vehicle at " + host + ":" + port + " does not answer: " + e.getMessage(), e);
        }
    }

    /** Reads what comes while no request waits: alive checks, and late answers that are of no use any more. */
    private void whileIdle() {
        try {
            while (!lost) {
                Thread.sleep(IDLE_MILLIS);
                if (reading.tryLock()) readAll();
            }
        } catch (InterruptedException | LinkLostException e) {
            lost = true; // the next request tells it
        }
    }

    private void readAll() {
        try {
            while (!lost && in.available()) read(IDLE_MILLIS);
        } finally {
            reading.unlock();
        }
    }

    /** A request and its answers: nothing else reads meanwhile. */
    final class Exchange implements AutoCloseable {
        private Exchange() {}

        /**
         * The next message that is not about the connection itself.
         *
         * @param end by the machine's clock, nanoseconds
         * @return empty when none came until then
         * @throws LinkLostException when the connection ended or what came is no DoIP
         */
        Optional<DoipMessage> next(long end) {
            while (true) {
                long left = (end - System.nanoTime()) / 1_000_000;
                Optional<DoipMessage> message = read((int) Math.max(1, left));
                if (message.isPresent() || System.nanoTime() >= end) return message;
            }
        }

        @Override
        public void close() {
            reading.unlock();
        }
    }

    /** @throws LinkLostException when it can't be sent */
    Exchange begin(DoipMessage request) {
        reading.lock();
        try {
            send(request);
            return new Exchange();
        } catch (LinkLostException e) {
            reading.unlock();
            throw e;
        }
    }

    synchronized void send(DoipMessage message) {
        try {
            Bytes octets = message.encode();
            octets.to(socket.getOutputStream()::write);
            tap.message(true, octets, System.nanoTime());
        } catch (IOException e) {
            throw gone("The connection to the vehicle ended.", e);
        }
    }

    private Optional<DoipMessage> read(int millis) {
        try {
            socket.setSoTimeout(millis);
            Arrival arrival = in.next();
            return switch (arrival) {
                case Arrival.Message(AliveCheckRequest m) -> {
                    send(new AliveCheckResponse(testerAddress));
                    yield Optional.empty();
                }
                case Arrival.Message(DoipMessage message) -> {
                    tap.message(false, message.encode(), System.nanoTime());
                    yield Optional.of(message);
                }
                case Arrival.Bad bad -> {
                    if (bad.fatal()) throw gone("The vehicle sent what is no DoIP message.", null);
                    yield Optional.empty();
                }
                case Arrival.End end -> throw gone("The connection to the vehicle ended.", null);
            };
        } catch (SocketTimeoutException e) {
            return Optional.empty();
        } catch (IOException e) {
            throw gone("The connection to the vehicle ended.", e);
        }
    }

    private LinkLostException gone(String sentence, @Nullable IOException cause) {
        lost = true;
        return new LinkLostException(sentence, cause);
    }

    boolean lost() {
        return lost;
    }

    @Override
    public void close() {
        lost = true;
        try {
            socket.close();
        } catch (IOException e) {
            throw new LinkLostException("closing failed", e);
        }
    }
}
