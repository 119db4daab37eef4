package codrane.app.shelf;

import codrane.core.octets.Checksums;
import java.sql.Timestamp;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Files in the database by their SHA-256, in chunks of 1 MiB, so that every node has them. */
@Component
@Transactional
public class FileStore {
    private static final int CHUNK = 1 << 20;

    private final JdbcClient jdbc;
    private final InstantSource time;

    FileStore(JdbcClient jdbc, InstantSource time) {
        this.jdbc = jdbc;
        this.time = time;
    }

    /** @return the content's SHA-256; the same content again is kept once */
    public String put(byte[] content) {
        String sha256 = Checksums.sha256(content);
        int added = jdbc.sql(
                        "insert into stored_file (sha256, size, stored_at) values (?, ?, ?) on conflict do nothing")
                .params(sha256, content.length, Timestamp.from(time.instant()))
                .update();
        for (int at = 0; added == 1 && at < content.length; at += CHUNK) {
            byte[] chunk = Arrays.copyOfRange(content, at, Math.min(content.length, at + CHUNK));
            jdbc.sql("insert into file_chunk (sha256, number, content) values (?, ?, ?)")
                    .params(sha256, at / CHUNK, chunk)
                    .update();
        }
        return sha256;
    }

    /** @return empty when there is no such file, or what is stored no longer has this hash */
    @Transactional(readOnly = true)
    public Optional<byte[]> get(String sha256) {
        Optional<Long> size = jdbc.sql("select size from stored_file where sha256 = ?")
                .param(sha256)
                .query(Long.class)
                .optional();
        if (size.isEmpty()) return Optional.empty();
        byte[] content = new byte[Math.toIntExact(size.get())];
        int[] at = new int[1];
        jdbc.sql("select content from file_chunk where sha256 = ? order by number")
                .param(sha256)
                .query(row -> {
                    byte[] chunk = row.getBytes(1);
                    System.arraycopy(chunk, 0, content, at[0], chunk.length);
                    at[0] += chunk.length;
                });
        return Checksums.sha256(content).equals(sha256) ? Optional.of(content) : Optional.empty();
    }
}
