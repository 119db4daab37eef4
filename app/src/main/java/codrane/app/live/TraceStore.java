package codrane.app.live;

import codrane.app.shelf.FileStore;
import codrane.link.trace.TraceEvent;
import codrane.link.trace.TraceRing;
import codrane.link.trace.TraceText;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The last of what was on the wire in each run, kept as packed text among the files. */
@Component
public class TraceStore {
    private static final int LONGEST_TEXT = 64 << 20;

    private final JdbcClient jdbc;
    private final FileStore files;
    private final InstantSource time;

    TraceStore(JdbcClient jdbc, FileStore files, InstantSource time) {
        this.jdbc = jdbc;
        this.files = files;
        this.time = time;
    }

    /**
     * One piece of a run's trace.
     *
     * @param dropped events that were older than the ring kept
     */
    public record Piece(long id, Instant takenAt, int events, long dropped, String sha256) {}

    void put(long runId, TraceRing ring) {
        List<TraceEvent> events = ring.events();
        if (events.isEmpty()) return;
        String sha256 = files.put(packed(events));
        jdbc.sql("insert into run_trace (run_id, taken_at, events, dropped, sha256) values (?, ?, ?, ?, ?)")
                .params(runId, Timestamp.from(time.instant()), events.size(), ring.dropped(), sha256)
                .update();
    }

    /** Oldest first. */
    public List<Piece> of(long runId) {
        return jdbc.sql(
                        "select id, taken_at, events, dropped, sha256 from run_trace where run_id = ? order by taken_at")
                .param(runId)
                .query((row, number) -> new Piece(
                        row.getLong(1),
                        row.getTimestamp(2).toInstant(),
                        row.getInt(3),
                        row.getLong(4),
                        row.getString(5)))
                .list();
    }

    /** @return empty when the file is gone or was changed */
    public Optional<List<TraceEvent>> events(Piece piece) {
        return files.get(piece.sha256()).map(TraceStore::unpacked);
    }

    private static byte[] packed(List<TraceEvent> events) {
        StringBuilder text = new StringBuilder();
        TraceText.write(events, text);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(text.toString().getBytes(StandardCharsets.US_ASCII));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static List<TraceEvent> unpacked(byte[] content) {
        try (GZIPInputStream zip = new GZIPInputStream(new ByteArrayInputStream(content))) {
            return TraceText.parseAll(new String(zip.readNBytes(LONGEST_TEXT), StandardCharsets.US_ASCII));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
