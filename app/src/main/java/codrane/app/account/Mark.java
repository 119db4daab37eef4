package codrane.app.account;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** Marks a text with a secret, so that only who has the secret can make the mark: HMAC-SHA-256. */
final class Mark {
    private final SecretKeySpec key;

    Mark(byte[] secret) {
        key = new SecretKeySpec(secret, "HmacSHA256");
    }

    /** 64 hex digits. */
    String of(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has HmacSHA256", e);
        }
    }
}
