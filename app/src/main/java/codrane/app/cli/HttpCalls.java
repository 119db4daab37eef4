package codrane.app.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** HTTP as a browser speaks it, with its cookies; without Spring, so that a command starts at once. */
final class HttpCalls {
    private static final Duration PATIENCE = Duration.ofSeconds(30);
    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();

    String page(URI address) throws IOException {
        return send(HttpRequest.newBuilder(address));
    }

    /** @param fields name, value, name, value… */
    String form(URI address, String... fields) throws IOException {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2)
            body.append(i == 0 ? "" : "&").append(encode(fields[i])).append('=').append(encode(fields[i + 1]));
        return send(HttpRequest.newBuilder(address)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(body.toString())));
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private String send(HttpRequest.Builder request) throws IOException {
        try {
            HttpRequest asked = request.timeout(PATIENCE).build();
            HttpResponse<String> answer = http.send(asked, HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 400)
                throw new IOException(asked.uri().getPath() + " was answered with " + answer.statusCode());
            return answer.body();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }

    static JsonNode get(URI base, String path) {
        try {
            return JSON.readTree(new HttpCalls().page(base.resolve(path)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static void post(URI base, String path) {
        try {
            new HttpCalls().form(base.resolve(path));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
