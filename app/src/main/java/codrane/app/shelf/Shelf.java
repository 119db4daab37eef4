package codrane.app.shelf;

import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ReadResult;
import codrane.core.calibration.Shelved;
import codrane.core.octets.Source;
import codrane.core.text.Words;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The calibrations that this workshop has, and which of them a job has at hand. */
@Component
@Transactional
public class Shelf {
    private static final Limit MOST = Limit.of(200);

    private final CalibrationRepository calibrations;
    private final PreparedRepository prepared;
    private final FileStore files;
    private final Scratch scratch;
    private final InstantSource time;

    Shelf(
            CalibrationRepository calibrations,
            PreparedRepository prepared,
            FileStore files,
            Scratch scratch,
            InstantSource time) {
        this.scratch = scratch;
        this.calibrations = calibrations;
        this.prepared = prepared;
        this.files = files;
        this.time = time;
    }

    /** @throws IllegalArgumentException when the content is not what the manifest says */
    public Shelved add(Manifest manifest, Source content) {
        CalibrationCheck.damage(read(content), manifest).ifPresent(damage -> {
            throw new IllegalArgumentException(String.join(" ", damage.reasons()));
        });
        String sha256 = files.put(content);
        return calibrations
                .findByManifestIdAndSha256(manifest.id(), sha256)
                .orElseGet(() -> {
                    CalibrationEntity entity = new CalibrationEntity();
                    entity.manifestId = manifest.id();
                    entity.pack = manifest.pack();
                    entity.module = manifest.module();
                    entity.softwareAfter = manifest.softwareAfter();
                    entity.form = ManifestStored.FORM;
                    entity.manifest = ManifestStored.write(manifest);
                    entity.sha256 = sha256;
                    entity.fetchedAt = time.instant();
                    return calibrations.save(entity);
                })
                .shelved();
    }

    /** A calibration that is here already, so that it need not be fetched again. */
    @Transactional(readOnly = true)
    public Optional<Shelved> find(String manifestId, String sha256) {
        return calibrations.findByManifestIdAndSha256(manifestId, sha256).map(CalibrationEntity::shelved);
    }

    @Transactional(readOnly = true)
    public List<Shelved> newest() {
        return calibrations.findByOrderByFetchedAtDesc(MOST).stream()
                .map(CalibrationEntity::shelved)
                .toList();
    }

    /** Puts it at hand for a job, in place of what was there. */
    public void prepare(long jobId, Shelved calibration, String who) {
        PreparedEntity entity = prepared.findById(jobId).orElseGet(PreparedEntity::new);
        entity.jobId = jobId;
        entity.calibration = calibrations.getReferenceById(calibration.id());
        entity.at = time.instant();
        entity.who = who;
        prepared.save(entity);
    }

    /** What jobs have at hand, by job. */
    @Transactional(readOnly = true)
    public Map<Long, Shelved> prepared(Collection<Long> jobIds) {
        return prepared.findByJobIdIn(jobIds).stream()
                .collect(Collectors.toMap(p -> p.jobId, p -> p.calibration.shelved()));
    }

    /** A file as it is on its way: checked for nothing but its own form. */
    @Transactional(propagation = Propagation.SUPPORTS)
    public ReadResult read(Source content) {
        return CalibrationFile.read(content, scratch.pages());
    }

    /** What is stored, read again. It may have been damaged since. */
    @Transactional(readOnly = true)
    public ReadResult read(Shelved calibration) {
        try {
            return files.get(calibration.manifest().sha256())
                    .map(this::read)
                    .orElseGet(() -> new ReadResult.Damaged(1, 1, "the file is not in the database"));
        } catch (Source.UnreadableException e) {
            return new ReadResult.Damaged(1, 1, Words.said(e));
        }
    }
}
