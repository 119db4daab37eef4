package codrane.app;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says in the log where the pages are, for who chose port 0. */
@Component
class Listening {
    private static final Logger LOG = LoggerFactory.getLogger(Listening.class);

    @EventListener
    void on(WebServerInitializedEvent event) {
        LOG.info("Listening on http://127.0.0.1:{}", event.getWebServer().getPort());
    }
}
