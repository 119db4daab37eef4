package codrane.core.ready;

import java.time.Instant;
import java.util.Optional;

/**
 * A request by mail, as it is stored.
 *
 * @param dueAt when the answer is expected; empty until it was sent
 * @param arrivedAs the file's name; empty until it arrived
 */
public record Letter(
        long id,
        long jobId,
        String module,
        String recipient,
        String subject,
        String body,
        String reference,
        Optional<Instant> sentAt,
        Optional<Instant> dueAt,
        Optional<Instant> arrivedAt,
        String arrivedAs) {}
