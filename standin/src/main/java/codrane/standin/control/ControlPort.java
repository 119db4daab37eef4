package codrane.standin.control;

import codrane.link.can.FrameFault;
import codrane.standin.vehicle.SimulatedVehicle;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.ObjectMapper;

/**
 * HTTP on loopback, for the meter, tests and the page of the vehicle in the next room. {@code GET /meter}, {@code GET
 * /look}, {@code POST /support-unit/on|off}, {@code POST /key/off|on|running}, {@code POST /drop/COUNT}, {@code POST
 * /cut}.
 */
public final class ControlPort implements AutoCloseable {
    private static final int MOST_DROPPED = 1_000_000;

    private final HttpServer server;
    private final RunningVehicle running;
    private final AtomicInteger toDrop = new AtomicInteger();
    private final ObjectMapper json = new ObjectMapper();

    /** @param port 0 takes a free one */
    public ControlPort(RunningVehicle running, int port) throws IOException {
        this.running = running;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 16);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.createContext("/", this::handle);
        server.start();
        running.bus()
                .ifPresent(bus -> bus.fault((frame, nanos) -> toDrop.getAndUpdate(n -> Math.max(0, n - 1)) > 0
                        ? new FrameFault.Fate.Drop()
                        : new FrameFault.Fate.Deliver()));
    }

    public int port() {
        return server.getAddress().getPort();
    }

    private void handle(HttpExchange exchange) throws IOException {
        try (exchange) {
            String[] path = exchange.getRequestURI().getPath().substring(1).split("/");
            boolean known = exchange.getRequestMethod().equals("GET") ? get(exchange, path[0]) : post(path);
            if (!known) send(exchange, 404, Map.of("message", "not known here"));
            else if (exchange.getRequestMethod().equals("POST")) send(exchange, 200, look());
        }
    }

    private boolean get(HttpExchange exchange, String what) throws IOException {
        SimulatedVehicle vehicle = running.vehicle();
        switch (what) {
            case "meter" ->
                send(
                        exchange,
                        200,
                        Map.of(
                                "volts",
                                vehicle.supply().volts(),
                                "supportUnit",
                                vehicle.supply().unitOn()));
            case "look" -> send(exchange, 200, look());
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean post(String[] path) {
        SimulatedVehicle vehicle = running.vehicle();
        switch (String.join("/", path)) {
            case "support-unit/on" -> vehicle.supply().switchUnit(true);
            case "support-unit/off" -> vehicle.supply().switchUnit(false);
            case "key/off", "key/on", "key/running" -> {
                SimulatedVehicle.Key key = SimulatedVehicle.Key.valueOf(path[1].toUpperCase(Locale.ROOT));
                running.time().execute(() -> vehicle.key(key));
            }
            case "cut" -> running.cut();
            default -> {
                if (path.length != 2 || !path[0].equals("drop") || !path[1].matches("\\d{1,6}")) return false;
                toDrop.set(Math.min(MOST_DROPPED, Integer.parseInt(path[1])));
            }
        }
        return true;
    }

    private Map<String, Object> look() {
        CompletableFuture<Map<String, Object>> look = new CompletableFuture<>();
        running.time().execute(() -> look.complete(running.vehicle().look()));
        return look.join();
    }

    private void send(HttpExchange exchange, int status, Map<String, Object> body) throws IOException {
        byte[] octets = json.writeValueAsString(body).getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", "application/json");
        exchange.sendResponseHeaders(status, octets.length);
        exchange.getResponseBody().write(octets);
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
