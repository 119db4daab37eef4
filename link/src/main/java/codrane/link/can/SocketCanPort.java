package codrane.link.can;

import codrane.link.LinkLostException;
import codrane.link.time.Scheduler;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.IntPredicate;

/** A tester's access to a bus behind a {@link CanHub}. */
public final class SocketCanPort implements CanPort, AutoCloseable {
    private static final int CONNECT_MILLIS = 2000;
    private static final int WINDOW = 16;

    private final Scheduler time;
    private final Socket socket;
    private final OutputStream out;
    private final Deque<Waiting> waiting = new ArrayDeque<>();
    private final Runnable lost;
    private Consumer<CanFrame> listener = frame -> {};
    private IntPredicate wanted = id -> false;
    private FrameTap tap = (frame, nanos) -> {};

    private record Waiting(CanFrame frame, Runnable sent) {}

    /**
     * @param lost runs on the scheduler when the connection ends by itself
     * @throws LinkLostException when nobody listens there
     */
    public SocketCanPort(String host, int port, Scheduler time, Runnable lost) {
        this.time = time;
        this.lost = lost;
        try {
            socket = new Socket();
            socket.setTcpNoDelay(true);
            socket.connect(new InetSocketAddress(host, port), CONNECT_MILLIS);
            out = socket.getOutputStream();
        } catch (IOException e) {
            throw new LinkLostException(
                    "The interface at " + host + ":" + port + " does not answer: " + e.getMessage(), e);
        }
        Thread.ofPlatform().daemon().name("can-port").start(this::read);
    }

    private void read() {
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                Optional<CanFrame> frame = CanText.parse(line);
                frame.ifPresent(f -> time.execute(() -> arrived(f)));
            }
        } catch (IOException e) {
            // told below, like an orderly end
        }
        time.execute(lost);
    }

    private void arrived(CanFrame frame) {
        tap.frame(frame, time.now());
        Waiting head = waiting.peek();
        if (head != null && head.frame().equals(frame)) {
            waiting.poll();
            head.sent().run();
        } else if (wanted.test(frame.id())) {
            listener.accept(frame);
        }
    }

    @Override
    public void send(CanFrame frame, Runnable sent) {
        waiting.add(new Waiting(frame, sent));
        try {
            out.write((CanText.of(frame) + "\n").getBytes(StandardCharsets.US_ASCII));
        } catch (IOException e) {
            time.execute(lost);
        }
    }

    @Override
    public void listen(IntPredicate newWanted, Consumer<CanFrame> newListener) {
        wanted = newWanted;
        listener = newListener;
    }

    /** Sees every frame of the bus, the own ones when they have left; on the scheduler. */
    public void tap(FrameTap newTap) {
        tap = newTap;
    }

    @Override
    public int window() {
        return WINDOW;
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
