package codrane.link;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Accepts testers on loopback, each on a thread of its own, and can cut them all off. Platform threads: there are few, and
 * a blocked read of theirs wakes up several times faster than a virtual thread's.
 */
public final class LoopbackServer implements AutoCloseable {
    private static final int BACKLOG = 8;

    private final ServerSocket server;
    private final Service service;
    private final Set<Socket> testers = ConcurrentHashMap.newKeySet();
    private volatile boolean refusing;

    /** Serves one tester until it is gone. */
    @FunctionalInterface
    public interface Service {
        void serve(Socket tester) throws IOException;
    }

    /** @param port 0 takes a free one */
    public LoopbackServer(String name, int port, Service service) throws IOException {
        this.service = service;
        server = new ServerSocket(port, BACKLOG, InetAddress.getLoopbackAddress());
        Thread.ofPlatform().daemon().name(name).start(this::accept);
    }

    public int port() {
        return server.getLocalPort();
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                Socket tester = server.accept();
                if (refusing) {
                    tester.close();
                    continue;
                }
                tester.setTcpNoDelay(true);
                testers.add(tester);
                Thread.ofPlatform().daemon().name("tester").start(() -> serve(tester));
            } catch (IOException e) {
                if (!server.isClosed()) throw new UncheckedIOException(e);
            }
        }
    }

    private void serve(Socket tester) {
        try (tester) {
            service.serve(tester);
        } catch (IOException e) {
            // the tester is gone: nothing to answer
        } finally {
            testers.remove(tester);
        }
    }

    /** Cuts all testers off, as when the cable is pulled; they may connect again. */
    public void cut() {
        for (Socket tester : testers) {
            try {
                tester.close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** While refusing, testers that connect are cut off at once. */
    public void refuse(boolean on) {
        refusing = on;
        if (on) cut();
    }

    @Override
    public void close() throws IOException {
        server.close();
        cut();
    }
}
