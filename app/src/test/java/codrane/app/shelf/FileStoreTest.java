package codrane.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.app.TestApp;
import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Files by content in real PostgreSQL. */
class FileStoreTest {
    private final FileStore files = TestApp.bean(FileStore.class);
    private final JdbcClient jdbc = TestApp.bean(JdbcClient.class);

    private static byte[] content(int size) {
        byte[] content = new byte[size];
        new Random(size).nextBytes(content);
        return content;
    }

    private long chunks(String sha256) {
        return jdbc.sql("select count(*) from file_chunk where sha256 = ?")
                .param(sha256)
                .query(Long.class)
                .single();
    }

    @Test
    void put_anySize_isReadBackInChunksOfOneMebibyte() {
        for (int size : new int[] {1, 1 << 20, (1 << 20) + 1, 2_500_000}) {
            String sha256 = files.put(Source.of(content(size)));
            assertThat(files.get(sha256))
                    .hasValueSatisfying(read -> assertThat(read.head(size)).isEqualTo(content(size)));
            assertThat(chunks(sha256)).isEqualTo((size + (1 << 20) - 1) / (1 << 20));
        }
    }

    @Test
    void put_sameContentTwice_isKeptOnce() {
        String sha256 = files.put(Source.of(content(1_500_000)));
        assertThat(files.put(Source.of(content(1_500_000)))).isEqualTo(sha256);
        assertThat(chunks(sha256)).isEqualTo(2);
    }

    @Test
    void get_damagedInTheDatabase_isFoundByItsReader() {
        String sha256 = files.put(Source.of(content(3000)));
        jdbc.sql(
                        "update file_chunk set content = set_byte(content, 7, (get_byte(content, 7) + 1) % 256) where sha256 = ?")
                .param(sha256)
                .update();
        assertThat(Checksums.sha256(files.get(sha256).orElseThrow())).isNotEqualTo(sha256);
        jdbc.sql("delete from file_chunk where sha256 = ?").param(sha256).update();
        Source gone = files.get(sha256).orElseThrow();
        assertThatThrownBy(() -> Checksums.sha256(gone)).hasMessageContaining("incomplete");
        assertThat(files.get("0".repeat(64))).isEmpty();
    }
}
