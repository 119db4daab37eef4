package codrane.app.shelf;

import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;

/** Letters to makers and what they send back, by reference. */
@Component
public class MailRoom {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final int NOTHING_YET = 204;
    private static final int LONGEST_FILE = 64 << 20;

    private final MakerRequests requests;

    MailRoom(CodraneSettings settings) {
        requests = HttpServices.of(MakerRequests.class, settings.serviceUrl(), PATIENCE);
    }

    /** What became of a letter. */
    public sealed interface Answer {
        record NotYet() implements Answer {}

        /** The mail room knows nothing of it: it never came, or was lost there. */
        record Unknown() implements Answer {}

        /** @param name of the file */
        record Arrived(String name, Bytes content) implements Answer {}
    }

    /** @throws ServiceException when it can't be handed over */
    public void send(Pack pack, String module, String subject, String body, String reference) {
        Map<String, String> head =
                Map.of("reference", reference, "pack", pack.id(), "module", module, "subject", subject);
        try {
            requests.letter(pack.service(), head, body.getBytes(StandardCharsets.UTF_8));
        } catch (RestClientResponseException e) {
            throw new ServiceException("The mail room of " + pack.maker() + " did not take it (answer "
                    + e.getStatusCode().value() + ").");
        } catch (RestClientException e) {
            throw unreached(e);
        }
    }

    /**
     * What came back under a reference.
     *
     * @throws ServiceException when the mail room can't be reached, or sends what can't be read
     */
    public Answer answer(String reference) {
        try {
            ResponseEntity<byte[]> answer = requests.answer(reference);
            byte[] content = answer.getBody();
            if (answer.getStatusCode().value() == NOTHING_YET || content == null) return new Answer.NotYet();
            if (content.length > LONGEST_FILE) throw new ServiceException("What arrived is too large to be read.");
            String name = Objects.requireNonNullElse(answer.getHeaders().getFirst("X-File-Name"), "file");
            return new Answer.Arrived(name.replaceAll("[^A-Za-z0-9._-]", "_"), Bytes.copyOf(content));
        } catch (RestClientResponseException e) {
            if (e.getStatusCode().isSameCodeAs(HttpStatus.NOT_FOUND)) return new Answer.Unknown();
            throw new ServiceException("The mail room does not say what became of " + reference + " (answer "
                    + e.getStatusCode().value() + ").");
        } catch (RestClientException e) {
            throw unreached(e);
        }
    }

    private static ServiceException unreached(RestClientException e) {
        return new ServiceException("The mail room can't be reached. Check the network, then try again.", e);
    }
}
