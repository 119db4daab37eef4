package codrane.app.demo;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.pack.Pack;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.client.RestClientException;
import org.springframework.web.service.annotation.GetExchange;
import org.springframework.web.service.annotation.PostExchange;

/** Demo only: the hand at the simulated authorities, and the mails that they sent. */
@Component
class NextRoomServices {
    private static final Logger LOG = LoggerFactory.getLogger(NextRoomServices.class);
    private static final Duration PATIENCE = Duration.ofMillis(1500);

    private final Requests requests;
    private final PackShelf packs;

    NextRoomServices(CodraneSettings settings, PackShelf packs) {
        requests = HttpServices.of(Requests.class, settings.serviceUrl(), PATIENCE);
        this.packs = packs;
    }

    /** A mail to the workshop. */
    public record Mail(String subject, String text) {}

    /** What the simulated services can be asked. */
    interface Requests {
        @GetExchange("/mail")
        List<Mail> mails();

        @PostExchange("/authority/{authority}/mode/{mode}")
        void mode(@PathVariable String authority, @PathVariable String mode);
    }

    /** Newest first; none when the services do not answer. */
    List<Mail> mails() {
        try {
            return requests.mails();
        } catch (RestClientException e) {
            return List.of();
        }
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
        try {
            requests.mode(authority, mode);
        } catch (RestClientException e) {
            LOG.warn("The simulated authority {} does not answer", authority);
        }
    }
}
