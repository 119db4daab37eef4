package codrane.app.access;

import codrane.app.workshop.CodraneSettings;
import codrane.core.access.WorkshopAccount;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Asks the makers' authorities, over HTTP. */
@Component
class AuthorityClient {
    private static final Duration PATIENCE = Duration.ofSeconds(5);
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int GOOD = 200;
    private static final int UNKNOWN = 404;

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
    private final String address;
    private final InstantSource time;

    AuthorityClient(CodraneSettings settings, InstantSource time) {
        address = settings.serviceUrl() + "/authority/";
        this.time = time;
    }

    /** A plan that can be taken. */
    record PlanOffer(String id, String title, int tools, int crowns) {}

    /** How an authority introduces itself. */
    record Counter(String title, List<PlanOffer> plans) {}

    /** What became of a request. */
    sealed interface Told {
        record Done(JsonNode body) implements Told {}

        /** @param sentence as the authority says it */
        record Refused(String sentence) implements Told {}
    }

    Counter counter(String authority) {
        JsonNode body = body(authority, send(authority, get(authority)));
        List<PlanOffer> plans = new ArrayList<>();
        body.path("plans")
                .forEach(p -> plans.add(new PlanOffer(
                        p.path("id").asString(),
                        p.path("title").asString(),
                        p.path("tools").asInt(),
                        p.path("crowns").asInt())));
        return new Counter(body.path("title").asString(), plans);
    }

    /** @param title of the authority, for people */
    WorkshopAccount account(String authority, String title, String workshop) {
        HttpResponse<String> response = send(authority, get(authority + "/workshops/" + encode(workshop)));
        if (response.statusCode() == UNKNOWN) return WorkshopAccount.none(title, time.instant());
        return read(title, body(authority, response));
    }

    private WorkshopAccount read(String title, JsonNode body) {
        Map<String, String> tools = new LinkedHashMap<>();
        body.path("tools")
                .propertyNames()
                .forEach(serial ->
                        tools.put(serial, body.path("tools").path(serial).asString()));
        List<String> technicians = new ArrayList<>();
        body.path("technicians").forEach(t -> technicians.add(t.asString()));
        String waits = body.path("checkedAt").asString();
        return new WorkshopAccount(
                title,
                true,
                body.path("mailConfirmed").asBoolean(),
                Optional.of(body.path("planTitle").asString()).filter(t -> !t.isEmpty()),
                Optional.of(body.path("planUntil").asString())
                        .filter(t -> !t.isEmpty())
                        .map(AuthorityClient::instant),
                body.path("toolLimit").asInt(),
                waits.isEmpty() ? Optional.empty() : Optional.of(instant(waits)),
                technicians,
                tools,
                time.instant());
    }

    /** @param path below the authority; workshop first */
    Told act(String authority, String path, Map<String, String> given) {
        String query = given.entrySet().stream()
                .map(e -> e.getKey() + "=" + encode(e.getValue()))
                .collect(Collectors.joining("&"));
        HttpRequest.Builder request =
                request(authority + "/" + path + "?" + query).POST(HttpRequest.BodyPublishers.noBody());
        HttpResponse<String> response = send(authority, request);
        JsonNode body = json(authority, response.body());
        return response.statusCode() == GOOD
                ? new Told.Done(body)
                : new Told.Refused(body.path("message").asString());
    }

    /** The grant of an answer. */
    static SignedGrant grant(String authority, JsonNode body) {
        try {
            Bytes octets = Bytes.parse(body.path("grant").asString());
            if (SignedGrant.decode(octets) instanceof DecodeResult.Decoded<SignedGrant>(SignedGrant grant))
                return grant;
        } catch (IllegalArgumentException e) {
            throw unreadable(authority, e);
        }
        throw unreadable(authority, null);
    }

    private HttpRequest.Builder get(String path) {
        return request(path).GET();
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(PATIENCE);
    }

    static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private static JsonNode body(String authority, HttpResponse<String> response) {
        JsonNode body = json(authority, response.body());
        if (response.statusCode() != GOOD)
            throw new AuthorityException(body.path("message").asString());
        return body;
    }

    private static JsonNode json(String authority, String text) {
        try {
            return JSON.readTree(text);
        } catch (JacksonException e) {
            throw unreadable(authority, e);
        }
    }

    private static Instant instant(String text) {
        try {
            return Instant.parse(text);
        } catch (DateTimeParseException e) {
            throw new AuthorityException("The authority named a time that can't be read.", e);
        }
    }

    private static AuthorityException unreadable(String authority, Exception cause) {
        return new AuthorityException("The authority " + authority + " answered what can't be read.", cause);
    }

    private HttpResponse<String> send(String authority, HttpRequest.Builder request) {
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new AuthorityException(
                    "The authority " + authority
                            + " can't be reached. Check the network, then try again; reading goes on without it.",
                    e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AuthorityException("The request was interrupted.", e);
        }
    }
}
