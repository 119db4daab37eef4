package codrane.core.ready;

import java.time.Instant;
import java.util.Optional;

/**
 * A request by mail.
 *
 * @param dueAt when the answer is expected; empty until it was sent
 * @param lostAt when the mail room knew nothing of it; empty when it did, or since it was sent anew
 * @param arrivedAs the file's name; empty until it arrived
 */
public record Letter(
        long id,
        String module,
        Text text,
        Optional<Instant> sentAt,
        Optional<Instant> dueAt,
        Optional<Instant> lostAt,
        Optional<Instant> arrivedAt,
        String arrivedAs) {
    /** What it says, and to whom. */
    public record Text(String recipient, String subject, String body, String reference) {}

    public String reference() {
        return text.reference();
    }
}
