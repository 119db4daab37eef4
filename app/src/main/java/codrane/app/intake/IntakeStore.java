package codrane.app.intake;

import codrane.core.job.IntakeNotes;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.ObjectMapper;

/** Keeps what was noted at arrival, and the list of photos. */
@Component
@Transactional
public class IntakeStore {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;

    IntakeStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A photo of a job. */
    public record Photo(long id, String caption, String sha256, Instant at, String who) {}

    public void put(long jobId, IntakeNotes notes, Instant at, String who) {
        jdbc.sql("insert into intake (job_id, content, at, who) values (?, ?, ?, ?) on conflict (job_id) do update set"
                        + " content = excluded.content, at = excluded.at, who = excluded.who")
                .params(jobId, JSON.writeValueAsString(notes), Timestamp.from(at), who)
                .update();
    }

    @Transactional(readOnly = true)
    public IntakeNotes get(long jobId) {
        return jdbc.sql("select content from intake where job_id = ?")
                .param(jobId)
                .query(String.class)
                .optional()
                .map(content -> JSON.readValue(content, IntakeNotes.class))
                .orElse(IntakeNotes.NONE);
    }

    void addPhoto(long jobId, Photo photo) {
        jdbc.sql("insert into photo (job_id, caption, sha256, at, who) values (?, ?, ?, ?, ?)")
                .params(jobId, photo.caption(), photo.sha256(), Timestamp.from(photo.at()), photo.who())
                .update();
    }

    @Transactional(readOnly = true)
    public List<Photo> photos(long jobId) {
        return jdbc.sql("select id, caption, sha256, at, who from photo where job_id = ? order by id")
                .param(jobId)
                .query((r, n) -> new Photo(
                        r.getLong("id"),
                        r.getString("caption"),
                        r.getString("sha256"),
                        r.getTimestamp("at").toInstant(),
                        r.getString("who")))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Photo> photo(long jobId, long id) {
        return photos(jobId).stream().filter(p -> p.id() == id).findFirst();
    }
}
