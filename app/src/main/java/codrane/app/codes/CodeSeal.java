package codrane.app.codes;

import codrane.app.records.SecretFile;
import codrane.app.workshop.CodraneSettings;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/** Encrypts codes with AES-GCM under a key in a file beside the database, bound to the job and the kind of code. */
@Component
class CodeSeal {
    private static final String ALGORITHM = "AES/GCM/NoPadding";
    private static final int NONCE_OCTETS = 12;
    private static final int TAG_BITS = 128;

    private final SecretKeySpec key;
    private final SecureRandom random = new SecureRandom();

    CodeSeal(CodraneSettings settings) throws IOException {
        key = new SecretKeySpec(SecretFile.of(settings.var().resolve("codes.key")), "AES");
    }

    /** @param owner what it belongs to: for anything else it can't be opened */
    String seal(String code, String owner) {
        byte[] nonce = new byte[NONCE_OCTETS];
        random.nextBytes(nonce);
        try {
            byte[] sealed = cipher(Cipher.ENCRYPT_MODE, nonce, owner).doFinal(code.getBytes(StandardCharsets.US_ASCII));
            byte[] all = Arrays.copyOf(nonce, nonce.length + sealed.length);
            System.arraycopy(sealed, 0, all, nonce.length, sealed.length);
            return Base64.getEncoder().encodeToString(all);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java platform has AES-GCM", e);
        }
    }

    /** Empty when it was sealed under another key, for another owner, or was changed. */
    Optional<String> open(String sealed, String owner) {
        try {
            byte[] all = Base64.getDecoder().decode(sealed);
            byte[] nonce = Arrays.copyOf(all, NONCE_OCTETS);
            byte[] code =
                    cipher(Cipher.DECRYPT_MODE, nonce, owner).doFinal(all, NONCE_OCTETS, all.length - NONCE_OCTETS);
            return Optional.of(new String(code, StandardCharsets.US_ASCII));
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private Cipher cipher(int mode, byte[] nonce, String owner) throws GeneralSecurityException {
        Cipher cipher = Cipher.getInstance(ALGORITHM);
        cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
        cipher.updateAAD(owner.getBytes(StandardCharsets.UTF_8));
        return cipher;
    }
}
