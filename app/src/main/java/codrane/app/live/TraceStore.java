package codrane.app.live;

import codrane.app.shelf.FileStore;
import codrane.core.octets.Source;
import codrane.link.trace.TraceEvent;
import codrane.link.trace.TraceRing;
import codrane.link.trace.TraceText;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.stereotype.Component;

/** The last of what was on the wire in each run, kept as packed text among the files. */
@Component
public class TraceStore {
    private static final int LONGEST_TEXT = 64 << 20;

    private final TraceRepository traces;
    private final FileStore files;
    private final InstantSource time;

    TraceStore(TraceRepository traces, FileStore files, InstantSource time) {
        this.traces = traces;
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
        String sha256 = files.put(Source.of(packed(events)));
        TraceEntity trace = new TraceEntity();
        trace.runId = runId;
        trace.takenAt = time.instant();
        trace.events = events.size();
        trace.dropped = ring.dropped();
        trace.sha256 = sha256;
        traces.save(trace);
    }

    /** Oldest first. */
    public List<Piece> of(long runId) {
        return pieces(traces.findByRunIdOrderByTakenAt(runId));
    }

    /** All of the run that a piece belongs to, oldest first; none when it is of no run of this job. */
    public List<Piece> beside(long piece, long jobId) {
        return pieces(traces.beside(piece, jobId));
    }

    private static List<Piece> pieces(List<TraceEntity> found) {
        return found.stream()
                .map(t -> new Piece(t.id, t.takenAt, t.events, t.dropped, t.sha256))
                .toList();
    }

    /** Whether some of what was on the wire is kept. */
    public boolean has(long runId) {
        return traces.existsByRunId(runId);
    }

    /** @return empty when the file is gone or was changed */
    public Optional<List<TraceEvent>> events(Piece piece) {
        return files.octets(piece.sha256()).map(TraceStore::unpacked);
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
