package codrane.standin.service;

import codrane.core.calibration.Manifest;
import codrane.core.coding.LineSheet;
import codrane.core.octets.Bytes;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import codrane.standin.module.FactoryCoding;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import tools.jackson.databind.ObjectMapper;

/**
 * HTTP on loopback. {@code GET /SERVICE/calibrations?pack=&module=} lists manifests, {@code GET
 * /SERVICE/calibrations/ID/file} delivers one, or what a {@code Range} of it asks for, {@code GET
 * /SERVICE/releases?pack=&module=} lists the versions of a module with their verification numbers, {@code GET /SERVICE/line-sheets/VIN?pack=&module=} is the line sheet of
 * one module as text. {@code POST /SERVICE/letters} asks by mail for what is not downloaded, {@code GET
 * /letters/REFERENCE} is the answer, 204 until there is one. {@code GET /SERVICE/daily-code} is the price of the code of the day, {@code POST
 * /SERVICE/daily-code?agreed=PRICE} buys it; {@code POST /SERVICE/daily-code/slow|down|cut|right} makes it that of yesterday, the counter silent, or only its answer to who buys, or all right again. Below {@code /authority/ID} are the authorities' counters, {@code GET /mail} is what they sent,
 * and {@code GET /history} what a workshop's archive holds when the demo begins.
 */
public final class MakerService implements AutoCloseable {
    private static final int CHUNK = 32 * 1024;

    private final HttpServer server;
    private final List<Pack> packs;
    private final CalibrationShelf shelf;
    private final AuthorityOffice office;
    private final MailRoom mailRoom;
    private final DailyCodes dailyCodes;
    private final Supplier<List<?>> history;
    private final int bytesPerSecond;
    private final ObjectMapper json = new ObjectMapper();
    private final AtomicInteger cuts = new AtomicInteger();
    private volatile int cutAfter;

    /**
     * @param history visits of the past, for the demo; asked for once
     * @param answerAfter how long a mail room takes for a letter
     * @param port 0 takes a free one
     * @param bytesPerSecond rate of deliveries: a file takes its time, as over a real line
     */
    public MakerService(
            List<Pack> packs,
            AuthorityOffice office,
            Supplier<List<?>> history,
            Duration answerAfter,
            int port,
            int bytesPerSecond)
            throws IOException {
        mailRoom = new MailRoom(packs, answerAfter, InstantSource.system());
        dailyCodes = new DailyCodes(packs, InstantSource.system());
        this.history = history;
        this.packs = List.copyOf(packs);
        this.office = office;
        this.bytesPerSecond = bytesPerSecond;
        shelf = new CalibrationShelf(packs);
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 16);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.createContext("/", this::handle);
        server.start();
    }

    /** The next deliveries break off, each after so many octets. */
    public void cutNextAfter(int octets, int times) {
        cutAfter = octets;
        cuts.set(times);
    }

    public int port() {
        return server.getAddress().getPort();
    }

    private void handle(HttpExchange exchange) throws IOException {
        try (exchange) {
            String[] path = exchange.getRequestURI().getPath().substring(1).split("/");
            Map<String, String> query = query(exchange);
            if (path.length == 2 && path[1].equals("calibrations")) {
                send(
                        exchange,
                        200,
                        "application/json",
                        json.writeValueAsBytes(shelf.manifests(
                                path[0], query.getOrDefault("pack", ""), query.getOrDefault("module", ""))));
            } else if (path.length == 2 && path[1].equals("releases")) {
                send(
                        exchange,
                        200,
                        "application/json",
                        json.writeValueAsBytes(shelf.releases(
                                path[0], query.getOrDefault("pack", ""), query.getOrDefault("module", ""))));
            } else if (path.length == 4
                    && path[1].equals("calibrations")
                    && path[3].equals("file")
                    && shelf.has(path[2])
                    && !shelf.sentByMail(path[2])) {
                deliver(exchange, shelf.file(path[2]));
            } else if (path.length == 2 && path[1].equals("letters")) {
                letter(exchange, path[0], query);
            } else if (path.length >= 2 && path[1].equals("daily-code")) {
                daily(exchange, path, query);
            } else if (path.length == 2 && path[0].equals("letters")) {
                answer(exchange, path[1]);
            } else if (path.length == 3 && path[1].equals("line-sheets")) {
                sheet(exchange, path[0], path[2], query);
            } else if (path[0].equals("authority")) {
                office(exchange, List.of(path).subList(1, path.length), query);
            } else if (path.length == 1 && path[0].equals("history")) {
                send(exchange, 200, "application/json", json.writeValueAsBytes(history.get()));
            } else if (path.length == 1 && path[0].equals("mail")) {
                send(exchange, 200, "application/json", json.writeValueAsBytes(office.mails()));
            } else {
                send(exchange, 404, "text/plain", "Not here.".getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    private void office(HttpExchange exchange, List<String> path, Map<String, String> query) throws IOException {
        Optional<AuthorityOffice.Answer> answer = office.ask(exchange.getRequestMethod(), path, query);
        if (answer.isEmpty()) return; // closed without an answer
        send(
                exchange,
                answer.get().status(),
                "application/json",
                json.writeValueAsBytes(answer.get().body()));
    }

    private void daily(HttpExchange exchange, String[] path, Map<String, String> query) throws IOException {
        boolean post = exchange.getRequestMethod().equals("POST");
        if (post && path.length == 3) dailyCodes.be(DailyCodes.Mood.valueOf(path[2].toUpperCase(Locale.ROOT)));
        boolean buys = post && path.length == 2;
        Optional<Map<String, Object>> answer =
                buys ? dailyCodes.buy(path[0], query.getOrDefault("agreed", "")) : dailyCodes.price(path[0]);
        if (path.length == 2 && !dailyCodes.answers(buys)) return; // closed without an answer
        send(
                exchange,
                answer.isPresent() ? 200 : 404,
                "application/json",
                json.writeValueAsBytes(answer.orElse(Map.of())));
    }

    private void letter(HttpExchange exchange, String service, Map<String, String> query) throws IOException {
        Optional<String> back = exchange.getRequestMethod().equals("POST")
                ? mailRoom.take(service, query)
                : Optional.of("Letters are handed over.");
        send(
                exchange,
                back.isEmpty() ? 200 : 409,
                "text/plain",
                back.orElse("Taken.").getBytes(StandardCharsets.UTF_8));
    }

    /** The newest file for the module's own hardware. */
    private void answer(HttpExchange exchange, String reference) throws IOException {
        Optional<PackModule> module = mailRoom.ready(reference);
        if (module.isEmpty()) {
            exchange.sendResponseHeaders(mailRoom.knows(reference) ? 204 : 404, -1);
            return;
        }
        Pack pack = mailRoom.pack(reference).orElseThrow();
        Manifest manifest =
                shelf.manifests(pack.service(), pack.id(), module.get().id()).getFirst();
        exchange.getResponseHeaders().set("X-File-Name", manifest.id() + ".hex");
        deliver(exchange, shelf.file(manifest.id()));
    }

    private void sheet(HttpExchange exchange, String service, String vinText, Map<String, String> query)
            throws IOException {
        Optional<Pack> pack = packs.stream()
                .filter(p -> p.service().equals(service) && p.id().equals(query.get("pack")))
                .findFirst();
        Optional<PackModule> module = pack.map(p -> p.modules().get(query.getOrDefault("module", "")));
        Optional<Vin> vin = pack.flatMap(p -> VinCheck.of(vinText, p.vinRule()).vin());
        if (module.isEmpty() || vin.isEmpty()) {
            send(exchange, 404, "text/plain", "No line sheet for this.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        Bytes coding = FactoryCoding.all(pack.get(), module.get(), vin.get());
        String text = LineSheet.of(module.get().tag(), coding).stream()
                .map(LineSheet.Line::text)
                .collect(Collectors.joining("\n", "", "\n"));
        send(exchange, 200, "text/plain", text.getBytes(StandardCharsets.US_ASCII));
    }

    private void deliver(HttpExchange exchange, Source content) throws IOException {
        long from = from(exchange, content.length());
        exchange.getResponseHeaders().set("Content-Type", "application/octet-stream");
        if (from > 0)
            exchange.getResponseHeaders()
                    .set("Content-Range", "bytes " + from + "-" + (content.length() - 1) + "/" + content.length());
        exchange.sendResponseHeaders(from > 0 ? 206 : 200, content.length() - from);
        byte[] chunk = new byte[CHUNK];
        try (OutputStream out = exchange.getResponseBody()) {
            for (long at = from; at < content.length(); at += CHUNK) {
                if (cuts.get() > 0 && at - from >= cutAfter) {
                    cuts.decrementAndGet();
                    return; // as a line that breaks
                }
                int length = (int) Math.min(CHUNK, content.length() - at);
                content.read(at, chunk, length);
                out.write(chunk, 0, length);
                out.flush();
                Thread.sleep(1000L * CHUNK / bytesPerSecond);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Where a request to go on begins (RFC 9110, range requests); 0 when it wants the whole. */
    private static long from(HttpExchange exchange, long length) {
        String range = exchange.getRequestHeaders().getFirst("Range");
        if (range == null || !range.matches("bytes=\\d{1,12}-")) return 0;
        long from = Long.parseLong(range.substring(6, range.length() - 1));
        return from < length ? from : 0;
    }

    private static void send(HttpExchange exchange, int status, String type, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(status, body.length);
        exchange.getResponseBody().write(body);
    }

    private static Map<String, String> query(HttpExchange exchange) {
        Map<String, String> query = new HashMap<>();
        String raw = exchange.getRequestURI().getQuery();
        if (raw == null) return query;
        for (String pair : raw.split("&")) {
            int at = pair.indexOf('=');
            if (at > 0) query.put(pair.substring(0, at), pair.substring(at + 1));
        }
        return query;
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
