package codrane.app.live;

import codrane.app.workshop.CodraneSettings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** This node's name in leases and runs; stays the same through a restart. */
@Component
class Node {
    private final String id;

    Node(CodraneSettings settings) throws IOException {
        Path file = settings.var().resolve("node-id");
        if (!Files.exists(file)) {
            Files.createDirectories(settings.var());
            Files.writeString(file, UUID.randomUUID().toString());
        }
        id = Files.readString(file).strip();
    }

    String id() {
        return id;
    }
}
