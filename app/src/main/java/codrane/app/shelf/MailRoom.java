package codrane.app.shelf;

import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.octets.Source;
import codrane.core.pack.Pack;
import codrane.link.file.FileSource;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.client.ClientHttpResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;

/** Letters to makers and what they send back, by reference. */
@Component
public class MailRoom {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final int BUFFER = 64 * 1024;
    private static final long LONGEST_FILE = 512L << 20;
    /** Until the whole of a file is here. */
    private static final Duration FILE_PATIENCE = Duration.ofMinutes(2);

    private final MakerRequests requests;
    private final RestClient answers;
    private final Scratch scratch;

    MailRoom(CodraneSettings settings, Scratch scratch) {
        requests = HttpServices.of(MakerRequests.class, settings.serviceUrl(), PATIENCE);
        answers = HttpServices.client(settings.serviceUrl(), FILE_PATIENCE);
        this.scratch = scratch;
    }

    /** What became of a letter. */
    public sealed interface Answer {
        record NotYet() implements Answer {}

        /** The mail room knows nothing of it: it never came, or was lost there. */
        record Unknown() implements Answer {}

        /** @param name of the file */
        record Arrived(String name, Source content) implements Answer {}
    }

    /** @throws ServiceException when it can't be handed over */
    public void send(Pack pack, String module, String subject, String body, String reference) {
        Map<String, String> head =
                Map.of("reference", reference, "pack", pack.id(), "module", module, "subject", subject);
        try {
            requests.letter(pack.service(), head, body.getBytes(StandardCharsets.UTF_8));
        } catch (RestClientResponseException e) {
            throw new ServiceException(
                    "The mail room of " + pack.maker() + " did not take it (answer "
                            + e.getStatusCode().value() + ").",
                    e);
        } catch (RestClientException e) {
            throw unreached(e);
        }
    }

    /** Fetches what came back; a file that came is there until this is closed. */
    public Delivery delivery() {
        return new Delivery();
    }

    /** See {@link #delivery}. */
    public final class Delivery implements AutoCloseable {
        private Optional<FileSource> file = Optional.empty();

        /**
         * What came back under a reference.
         *
         * @throws ServiceException when the mail room can't be reached, or sends what can't be read
         */
        public Answer of(String reference) {
            try {
                return answers.get()
                        .uri("/letters/{reference}", reference)
                        .exchangeForRequiredValue((request, response) -> read(reference, response));
            } catch (RestClientException e) {
                throw unreached(e);
            }
        }

        private Answer read(String reference, ClientHttpResponse response) throws IOException {
            HttpStatusCode status = response.getStatusCode();
            if (status.isSameCodeAs(HttpStatus.NO_CONTENT)) return new Answer.NotYet();
            if (status.isSameCodeAs(HttpStatus.NOT_FOUND)) return new Answer.Unknown();
            if (status.isError())
                throw new ServiceException(
                        "The mail room does not say what became of " + reference + " (answer " + status.value() + ").");
            String name = Objects.requireNonNullElse(response.getHeaders().getFirst("X-File-Name"), "file");
            FileSource received = received(response.getBody());
            file = Optional.of(received);
            return new Answer.Arrived(name.replaceAll("[^A-Za-z0-9._-]", "_"), received);
        }

        @Override
        public void close() {
            try {
                if (file.isPresent()) file.get().close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private FileSource received(InputStream file) {
        try {
            return scratch.written(out -> copy(file, out));
        } catch (UncheckedIOException e) {
            throw new ServiceException("What arrived broke off on its way. Look again.", e);
        }
    }

    private static void copy(InputStream file, OutputStream out) throws IOException {
        byte[] buffer = new byte[BUFFER];
        long came = 0;
        for (int n = file.read(buffer); n >= 0; n = file.read(buffer)) {
            came += n;
            if (came > LONGEST_FILE) throw new ServiceException("What arrived is too large to be read.");
            out.write(buffer, 0, n);
        }
    }

    private static ServiceException unreached(RestClientException e) {
        return new ServiceException("The mail room can't be reached. Check the network, then try again.", e);
    }
}
