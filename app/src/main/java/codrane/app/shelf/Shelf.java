package codrane.app.shelf;

import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Shelved;
import java.sql.Timestamp;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.ObjectMapper;

/** The calibrations that this workshop has, and which of them a job has at hand. */
@Component
@Transactional
public class Shelf {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;
    private final FileStore files;
    private final InstantSource time;

    Shelf(JdbcClient jdbc, FileStore files, InstantSource time) {
        this.jdbc = jdbc;
        this.files = files;
        this.time = time;
    }

    /** @throws IllegalArgumentException when the content is not what the manifest says */
    public Shelved add(Manifest manifest, byte[] content) {
        CalibrationCheck.damage(content, manifest).ifPresent(damage -> {
            throw new IllegalArgumentException(String.join(" ", damage.reasons()));
        });
        String sha256 = files.put(content);
        jdbc.sql("insert into calibration (manifest_id, pack, module, software_after, manifest, sha256, fetched_at)"
                        + " values (?, ?, ?, ?, ?, ?, ?) on conflict do nothing")
                .params(
                        manifest.id(),
                        manifest.pack(),
                        manifest.module(),
                        manifest.softwareAfter(),
                        JSON.writeValueAsString(manifest),
                        sha256,
                        Timestamp.from(time.instant()))
                .update();
        return query("where manifest_id = ? and sha256 = ?", manifest.id(), sha256)
                .getFirst();
    }

    /** A calibration that is here already, so that it need not be fetched again. */
    @Transactional(readOnly = true)
    public Optional<Shelved> find(String manifestId, String sha256) {
        return query("where manifest_id = ? and sha256 = ?", manifestId, sha256).stream()
                .findFirst();
    }

    @Transactional(readOnly = true)
    public List<Shelved> newest() {
        return query("order by fetched_at desc limit 200");
    }

    /** Puts it at hand for a job, in place of what was there. */
    public void prepare(long jobId, Shelved calibration, String who) {
        jdbc.sql(
                        "insert into prepared_calibration (job_id, calibration_id, at, who) values (?, ?, ?, ?)"
                                + " on conflict (job_id) do update set calibration_id = excluded.calibration_id, at = excluded.at, who = excluded.who")
                .params(jobId, calibration.id(), Timestamp.from(time.instant()), who)
                .update();
    }

    @Transactional(readOnly = true)
    public Optional<Shelved> prepared(long jobId) {
        return query("where id = (select calibration_id from prepared_calibration where job_id = ?)", jobId).stream()
                .findFirst();
    }

    /** @return empty when the stored file is damaged */
    @Transactional(readOnly = true)
    public Optional<byte[]> content(Shelved calibration) {
        return files.get(calibration.manifest().sha256());
    }

    private List<Shelved> query(String rest, Object... params) {
        return jdbc.sql("select id, manifest, fetched_at from calibration " + rest)
                .params(params)
                .query((r, n) -> new Shelved(
                        r.getLong("id"),
                        JSON.readValue(r.getString("manifest"), Manifest.class),
                        r.getTimestamp("fetched_at").toInstant()))
                .list();
    }
}
