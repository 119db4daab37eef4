package codrane.app.records;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;

/** A random secret in a file that only this user may read, made when it is not there. */
public final class SecretFile {
    private static final int OCTETS = 32;

    private SecretFile() {}

    public static byte[] of(Path file) throws IOException {
        if (!Files.exists(file)) {
            byte[] key = new byte[OCTETS];
            new SecureRandom().nextBytes(key);
            Files.createDirectories(file.toAbsolutePath().getParent());
            Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Files.write(file, key, StandardOpenOption.TRUNCATE_EXISTING);
        }
        return Files.readAllBytes(file);
    }
}
