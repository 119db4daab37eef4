package codrane.link.can;

import codrane.link.LoopbackServer;
import codrane.link.time.Scheduler;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;

/**
 * Lets testers onto a simulated bus over TCP on loopback, one frame a line. A tester's own frames come back to it with
 * their time when they have left: the sign that they were sent. Lines that are no frame are ignored.
 */
public final class CanHub implements AutoCloseable {
    private static final int MOST_WAITING = 100_000;

    private final SimulatedBus bus;
    private final Scheduler time;
    private final LoopbackServer server;
    private volatile boolean mute;

    /** @param port 0 takes a free one */
    public CanHub(SimulatedBus bus, Scheduler time, int port) throws IOException {
        this.bus = bus;
        this.time = time;
        server = new LoopbackServer("can-hub", port, this::serve);
    }

    public int port() {
        return server.port();
    }

    private void serve(Socket client) throws IOException {
        BlockingQueue<String> out = new ArrayBlockingQueue<>(MOST_WAITING);
        Thread writer = Thread.ofPlatform().daemon().name("can-hub-writer").start(() -> write(client, out));
        CanPort port = bus.attach();
        time.execute(() -> port.listen(frame -> offer(client, out, CanText.of(frame, bus.clock()))));
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(client.getInputStream(), StandardCharsets.US_ASCII))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                Optional<CanFrame> frame = CanText.parse(line);
                frame.filter(f -> !mute)
                        .ifPresent(f ->
                                time.execute(() -> port.send(f, () -> offer(client, out, CanText.of(f, bus.clock())))));
            }
        } finally {
            time.execute(() -> bus.detach(port));
            writer.interrupt();
        }
    }

    private void offer(Socket client, BlockingQueue<String> out, String line) {
        if (mute || out.offer(line)) return;
        try {
            client.close(); // a tester that does not read would otherwise fill the memory
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void write(Socket client, BlockingQueue<String> lines) {
        try {
            OutputStream out = client.getOutputStream();
            StringBuilder batch = new StringBuilder();
            while (true) {
                batch.setLength(0);
                batch.append(lines.take()).append('\n');
                for (String more = lines.poll(); more != null && batch.length() < 8000; more = lines.poll()) {
                    batch.append(more).append('\n');
                }
                out.write(batch.toString().getBytes(StandardCharsets.US_ASCII));
            }
        } catch (IOException | InterruptedException e) {
            // the tester is gone: the reader cleans up
        }
    }

    /** Cuts all testers off, as when the cable is pulled. */
    public void cut() {
        server.cut();
    }

    /** Nothing passes either way, connections stay. */
    public void mute(boolean on) {
        mute = on;
    }

    /** Nobody gets in, as with the cable out. */
    public void unplugged(boolean on) {
        server.refuse(on);
    }

    @Override
    public void close() throws IOException {
        server.close();
    }
}
