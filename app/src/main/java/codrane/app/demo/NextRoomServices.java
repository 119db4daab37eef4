package codrane.app.demo;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Demo only: the hand at the simulated authorities, and the mails that they sent. */
@Component
class NextRoomServices {
    private static final Duration PATIENCE = Duration.ofMillis(1500);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();
    private final String address;
    private final PackShelf packs;

    NextRoomServices(CodraneSettings settings, PackShelf packs) {
        address = settings.serviceUrl();
        this.packs = packs;
    }

    /** A mail to the workshop. */
    public record Mail(String subject, String text) {}

    /** Newest first; none when the services do not answer. */
    List<Mail> mails() {
        List<Mail> mails = new ArrayList<>();
        send(request("/mail").GET())
                .ifPresent(all -> all.forEach(m -> mails.add(
                        new Mail(m.path("subject").asString(), m.path("text").asString()))));
        return mails;
    }

    List<String> authorities() {
        return packs.all().stream()
                .flatMap(p -> p.gateway().stream())
                .map(Pack.GatewayPolicy::authority)
                .distinct()
                .sorted()
                .toList();
    }

    /** @param mode down, lies or right */
    void mode(String authority, String mode) {
        send(request("/authority/" + authority + "/mode/" + mode).POST(HttpRequest.BodyPublishers.noBody()));
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(PATIENCE);
    }

    private Optional<JsonNode> send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> response = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            return response.statusCode() == 200 ? Optional.of(JSON.readTree(response.body())) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }
}
