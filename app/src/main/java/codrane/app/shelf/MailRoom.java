package codrane.app.shelf;

import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.workshop.CodraneSettings;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Letters to makers and what they send back, by reference. */
@Component
public class MailRoom {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final int LONGEST_FILE = 64 << 20;

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(3)).build();
    private final String address;

    MailRoom(CodraneSettings settings) {
        address = settings.serviceUrl();
    }

    /** @param name of the file */
    public record Arrived(String name, Bytes content) {}

    /** @throws ServiceException when it can't be handed over */
    public void send(Pack pack, String module, String subject, String body, String reference) {
        String path = "/" + pack.service() + "/letters?reference=" + encode(reference) + "&pack=" + encode(pack.id())
                + "&module=" + encode(module) + "&subject=" + encode(subject);
        HttpResponse<byte[]> response = exchange(
                HttpRequest.newBuilder(URI.create(address + path)).POST(HttpRequest.BodyPublishers.ofString(body)));
        if (response.statusCode() != 200)
            throw new ServiceException(
                    "The mail room of " + pack.maker() + " did not take it (answer " + response.statusCode() + ").");
    }

    /** What came back under a reference; empty while nothing has. */
    public Optional<Arrived> answer(String reference) {
        HttpResponse<byte[]> response =
                exchange(HttpRequest.newBuilder(URI.create(address + "/letters/" + encode(reference))));
        if (response.statusCode() == 204) return Optional.empty();
        if (response.statusCode() != 200)
            throw new ServiceException("The mail room knows nothing of " + reference + ".");
        if (response.body().length > LONGEST_FILE) throw new ServiceException("What arrived is too large to be read.");
        String name = response.headers().firstValue("X-File-Name").orElse("file");
        return Optional.of(new Arrived(name.replaceAll("[^A-Za-z0-9._-]", "_"), Bytes.copyOf(response.body())));
    }

    private HttpResponse<byte[]> exchange(HttpRequest.Builder request) {
        try {
            return http.send(request.timeout(PATIENCE).build(), HttpResponse.BodyHandlers.ofByteArray());
        } catch (IOException e) {
            throw new ServiceException("The mail room can't be reached. Check the network, then try again.", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new ServiceException("The request was interrupted.", e);
        }
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
