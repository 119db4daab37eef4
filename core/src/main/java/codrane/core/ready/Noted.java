package codrane.core.ready;

import java.time.Instant;
import java.util.Optional;

/**
 * What a person noted about a need.
 *
 * @param here false: it was asked for
 * @param due when it is expected
 * @param detail what exactly: a number, a balance, a name
 */
public record Noted(boolean here, Optional<Instant> due, String detail) {}
