package codrane.app.shelf;

import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
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
    private static final int LONGEST_IN_THE_HEAP = 64 << 20;

    private final JdbcClient jdbc;
    private final InstantSource time;

    FileStore(JdbcClient jdbc, InstantSource time) {
        this.jdbc = jdbc;
        this.time = time;
    }

    /** @return the content's SHA-256; the same content again is kept once */
    public String put(Source content) {
        String sha256 = Checksums.sha256(content);
        int added = jdbc.sql(
                        "insert into stored_file (sha256, size, stored_at) values (?, ?, ?) on conflict do nothing")
                .params(sha256, content.length(), Timestamp.from(time.instant()))
                .update();
        byte[] chunk = new byte[(int) Math.min(CHUNK, content.length())];
        for (long at = 0; added == 1 && at < content.length(); at += CHUNK) {
            int length = (int) Math.min(CHUNK, content.length() - at);
            content.read(at, chunk, length);
            jdbc.sql("insert into file_chunk (sha256, number, content) values (?, ?, ?)")
                    .params(sha256, (int) (at / CHUNK), Arrays.copyOf(chunk, length))
                    .update();
        }
        return sha256;
    }

    /**
     * @return what is stored, read from the database as it is needed; whether it still has this hash is for its reader to
     *     find out
     */
    @Transactional(readOnly = true)
    public Optional<Source> get(String sha256) {
        return jdbc.sql("select size from stored_file where sha256 = ?")
                .param(sha256)
                .query(Long.class)
                .optional()
                .map(size -> new Stored(sha256, size));
    }

    /** The whole of something short; empty when it is not there, or no longer has this hash. */
    @Transactional(readOnly = true)
    public Optional<byte[]> octets(String sha256) {
        try {
            return get(sha256)
                    .map(stored -> stored.head((int) Math.min(LONGEST_IN_THE_HEAP, stored.length())))
                    .filter(octets -> Checksums.sha256(octets).equals(sha256));
        } catch (Source.UnreadableException e) {
            return Optional.empty();
        }
    }

    /** The chunk that was read last is at hand. */
    private final class Stored implements Source {
        private final String sha256;
        private final long length;
        private long number = -1;
        private byte[] chunk = new byte[0];

        Stored(String sha256, long length) {
            this.sha256 = sha256;
            this.length = length;
        }

        @Override
        public long length() {
            return length;
        }

        @Override
        public synchronized void read(long at, byte[] into, int wanted) {
            for (int done = 0; done < wanted; ) {
                bring((at + done) / CHUNK);
                int from = (int) ((at + done) % CHUNK);
                int some = Math.min(chunk.length - from, wanted - done);
                if (some <= 0) throw new UnreadableException("the stored file " + sha256 + " is incomplete");
                System.arraycopy(chunk, from, into, done, some);
                done += some;
            }
        }

        private void bring(long wanted) {
            if (wanted == number) return;
            chunk = jdbc.sql("select content from file_chunk where sha256 = ? and number = ?")
                    .params(sha256, (int) wanted)
                    .query(byte[].class)
                    .optional()
                    .orElseThrow(() -> new UnreadableException("the stored file " + sha256 + " is incomplete"));
            number = wanted;
        }
    }
}
