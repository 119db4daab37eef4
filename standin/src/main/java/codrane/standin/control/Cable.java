package codrane.standin.control;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The cable between an interface and the vehicle that it is plugged into: a port on loopback that passes octets on to
 * another. Plugging it elsewhere ends what goes over it, as pulling a plug does.
 */
final class Cable implements AutoCloseable {
    private static final int BUFFER = 64 * 1024;
    private static final int PATIENCE_MILLIS = 2000;

    private final ServerSocket server;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile int target;

    /**
     * @param port 0 takes a free one
     * @param target port on loopback of what it is plugged into at first
     */
    Cable(int port, int target) throws IOException {
        this.target = target;
        server = new ServerSocket(port, 16, InetAddress.getLoopbackAddress());
        Thread.ofPlatform().daemon().name("cable-" + server.getLocalPort()).start(this::accept);
    }

    int port() {
        return server.getLocalPort();
    }

    void plug(int newTarget) {
        target = newTarget;
        open.forEach(Cable::end);
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                join(server.accept());
            } catch (IOException e) {
                // the far end is gone, or this cable is closed: the next to connect is told anew
            }
        }
    }

    private void join(Socket near) throws IOException {
        open.add(near);
        Socket far = new Socket();
        open.add(far);
        try {
            far.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), target), PATIENCE_MILLIS);
            near.setTcpNoDelay(true);
            far.setTcpNoDelay(true);
        } catch (IOException e) {
            drop(near, far);
            throw e;
        }
        pump(near, far);
        pump(far, near);
    }

    private void pump(Socket from, Socket to) {
        Thread.ofPlatform().daemon().name("cable-pump").start(() -> {
            byte[] buffer = new byte[BUFFER];
            try {
                InputStream in = from.getInputStream();
                OutputStream out = to.getOutputStream();
                for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                    out.write(buffer, 0, n);
                    out.flush();
                }
            } catch (IOException e) {
                // one end was closed: so is the other
            } finally {
                drop(from, to);
            }
        });
    }

    private void drop(Socket one, Socket other) {
        end(one);
        end(other);
        open.remove(one);
        open.remove(other);
    }

    private static void end(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is of no more use either way
        }
    }

    @Override
    public void close() throws IOException {
        server.close();
        open.forEach(Cable::end);
    }
}
