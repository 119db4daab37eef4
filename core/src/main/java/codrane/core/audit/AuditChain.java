package codrane.core.audit;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** Each row's mark is an HMAC-SHA-256 over the previous mark and the row's own canonical text. */
public final class AuditChain {
    /** Mark before the first row. */
    public static final String START = "0".repeat(64);

    private final SecretKeySpec key;

    /** @param key kept outside the database, at least 32 octets */
    public AuditChain(byte[] key) {
        if (key.length < 32) throw new IllegalArgumentException("key: " + key.length + " octets (expected 32 or more)");
        this.key = new SecretKeySpec(key, "HmacSHA256");
    }

    /** @param subject what was acted on, for example {@code job 2201} */
    public record Row(long number, Instant at, String who, String act, String subject, String detail) {
        /** Times cut to microseconds; the fields' lengths keep them apart. */
        public String text() {
            StringBuilder out = new StringBuilder().append(number);
            for (String part : List.of(at.truncatedTo(ChronoUnit.MICROS).toString(), who, act, subject, detail)) {
                out.append('|').append(part.length()).append(':').append(part);
            }
            return out.toString();
        }
    }

    public record Marked(Row row, String mark) {}

    /** @return 64 hex digits */
    public String mark(String previous, Row row) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            mac.update(previous.getBytes(StandardCharsets.US_ASCII));
            return HexFormat.of().formatHex(mac.doFinal(row.text().getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has HmacSHA256", e);
        }
    }

    /** @return the number of the first row that is not what it was when written, or empty */
    public Optional<Long> firstBroken(List<Marked> rows) {
        String previous = START;
        long number = 1;
        for (Marked marked : rows) {
            boolean good = marked.row().number() == number
                    && mark(previous, marked.row()).equals(marked.mark());
            if (!good) return Optional.of(number);
            previous = marked.mark();
            number++;
        }
        return Optional.empty();
    }
}
