package codrane.standin.control;

import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Sensor;
import codrane.core.pack.PackModule;
import codrane.standin.fault.FaultSpec;
import codrane.standin.module.SimulatedKeys;
import codrane.standin.vehicle.SimulatedVehicle;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import tools.jackson.databind.ObjectMapper;

/**
 * HTTP on loopback, for the meter, tests and the page of the vehicle in the next room. {@code GET /meter}, {@code GET
 * /look}, {@code GET /faults}, {@code GET /seed/MODULE/HEX}, {@code GET /sound}; {@code POST /support-unit/on|off}, {@code /key/off|on|running}, {@code /doors/open|closed}, {@code
 * /tailgate/open|closed}, {@code /gear/park|drive}, {@code /drop/COUNT}, {@code /cut}, {@code /fault?spec=…}, {@code
 * /faults/clear}, {@code /plug/VIN}, {@code /renew}, {@code /gateway/locked}, {@code /wired}, {@code /tool/unboxed|updated}, {@code /wireless}, {@code /updated/MODULE}, {@code /keys/learned}.
 */
public final class ControlPort implements AutoCloseable {
    private final HttpServer server;
    private final SimulatedTool tool;
    private final ObjectMapper json = new ObjectMapper();

    /** @param port 0 takes a free one */
    public ControlPort(SimulatedTool tool, int port) throws IOException {
        this.tool = tool;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 16);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.createContext("/", this::handle);
        server.start();
    }

    public int port() {
        return server.getAddress().getPort();
    }

    private RunningVehicle running() {
        return tool.plugged();
    }

    private void handle(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath().substring(1);
            if (exchange.getRequestMethod().equals("GET")) {
                Optional<Map<String, Object>> body = get(path);
                send(exchange, body.isPresent() ? 200 : 404, body.orElse(Map.of("message", "not known here")));
            } else {
                Optional<String> problem = switch (path) {
                    case "fault" -> bring(exchange);
                    case "renew" -> tool.renew() ? Optional.empty() : Optional.of("only with several vehicles");
                    default -> post(path);
                };
                if (problem.isEmpty()) send(exchange, 200, running().look());
                else send(exchange, 404, Map.of("message", problem.get()));
            }
        }
    }

    private Optional<Map<String, Object>> get(String path) {
        return switch (path) {
            case "meter" -> Optional.of(meter());
            case "look" -> Optional.of(running().look());
            case "faults" -> Optional.of(kinds());
            case "sound" -> running().vehicle().heard();
            default -> path.matches("seed/[a-z-]{1,40}/([0-9A-F]{2}){1,16}") ? key(path.split("/")) : Optional.empty();
        };
    }

    /** What an interface's maker would tell it: the key for a seed. */
    private Optional<Map<String, Object>> key(String[] asked) {
        PackModule module = running().vehicle().pack().modules().get(asked[1]);
        return Optional.ofNullable(module)
                .flatMap(m -> new SimulatedKeys().keyFor(m, Bytes.parse(asked[2])))
                .map(key -> Map.of("key", key.hex()));
    }

    /** The faults that can be brought about, in words. */
    private static Map<String, Object> kinds() {
        Map<String, Object> kinds = new LinkedHashMap<>();
        for (FaultSpec.Kind kind : FaultSpec.Kind.values())
            kinds.put(
                    kind.key(),
                    kind.words() + ": " + String.join(", ", kind.names().keySet()));
        return kinds;
    }

    private Map<String, Object> meter() {
        Map<String, Object> meter = new LinkedHashMap<>();
        meter.put("volts", running().vehicle().volts());
        meter.put("supportUnit", running().vehicle().supply().unitOn());
        meter.put("celsius", running().celsius());
        meter.put("tool", tool.look());
        return meter;
    }

    private Optional<String> post(String path) {
        switch (path) {
            case "support-unit/on" -> running().vehicle().supply().switchUnit(true);
            case "support-unit/off" -> running().vehicle().supply().switchUnit(false);
            case "key/off", "key/on", "key/running" -> turnKey(path.substring(4));
            case "doors/open" -> move(Sensor.DOORS, 1);
            case "doors/closed" -> move(Sensor.DOORS, 0);
            case "tailgate/open" -> move(Sensor.TAILGATE, 1);
            case "tailgate/closed" -> move(Sensor.TAILGATE, 0);
            case "gear/drive" -> move(Sensor.GEAR, 0);
            case "gear/park" -> move(Sensor.GEAR, 1);
            case "windows/open" -> move(Sensor.WINDOWS, 1);
            case "windows/closed" -> move(Sensor.WINDOWS, 0);
            case "start/inhibited" -> move(Sensor.START, 1);
            case "start/released" -> move(Sensor.START, 0);
            case "keys/learned" ->
                running().act(() -> running().vehicle().immobiliser().learnedElsewhere());
            case "cut" -> running().cut();
            case "faults/clear" -> running().clearFaults();
            case "tool/unboxed" -> tool.firmware(false);
            case "tool/updated" -> tool.firmware(true);
            case "gateway/locked" ->
                running().act(() -> running().vehicle().gateway().close());
            case "wireless" -> tool.wireless(true);
            case "wired" -> tool.wireless(false);
            default -> {
                if (path.matches("plug/[0-9A-Z]{17}")) {
                    return tool.plug(path.substring(5)) ? Optional.empty() : Optional.of("no such vehicle here");
                }
                if (path.matches("updated/[a-z-]{1,40}")) return updatedElsewhere(path.substring(8));
                if (!path.matches("drop/\\d{1,6}")) return Optional.of("not known here");
                return bring("drop:count=" + path.substring(5));
            }
        }
        return Optional.empty();
    }

    /** Another workshop updated a module: what was set and learned in it is as built. */
    private Optional<String> updatedElsewhere(String module) {
        if (running().vehicle().server(module).isEmpty())
            return Optional.of("This vehicle has no module " + module + ".");
        running().act(() -> running().vehicle().updatedElsewhere(module));
        return Optional.empty();
    }

    private void turnKey(String position) {
        SimulatedVehicle.Key key = SimulatedVehicle.Key.valueOf(position.toUpperCase(Locale.ROOT));
        running().act(() -> running().vehicle().key(key));
        running().ready(key != SimulatedVehicle.Key.OFF);
    }

    private void move(Sensor sensor, int position) {
        running().act(() -> running().vehicle().move(sensor, position));
    }

    private Optional<String> bring(HttpExchange exchange) {
        String query = Optional.ofNullable(exchange.getRequestURI().getQuery()).orElse("");
        return query.startsWith("spec=") ? bring(query.substring(5)) : Optional.of("say which fault: /fault?spec=…");
    }

    private Optional<String> bring(String text) {
        return switch (FaultSpec.parse(text)) {
            case FaultSpec.Parsed.Bad(String reason) -> Optional.of(reason);
            case FaultSpec.Parsed.Spec(FaultSpec spec) -> {
                if (!running().fits(spec)) yield Optional.of("This vehicle has no module " + spec.module() + ".");
                running().bring(spec);
                yield Optional.empty();
            }
        };
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
