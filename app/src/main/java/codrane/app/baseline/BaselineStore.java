package codrane.app.baseline;

import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Purpose;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps baselines; none is ever changed, only its purpose. */
@Component
@Transactional
public class BaselineStore {
    private static final int MOST = 100;

    private final BaselineRepository repository;

    BaselineStore(BaselineRepository repository) {
        this.repository = repository;
    }

    /** @return its id */
    public long add(BaselineSummary summary, String content) {
        BaselineEntity entity = new BaselineEntity();
        entity.jobId = summary.jobId();
        entity.vehicleId = summary.vehicleId();
        entity.takenAt = summary.takenAt();
        entity.takenBy = summary.takenBy();
        entity.sha256 = summary.sha256();
        entity.origin = summary.origin();
        entity.purpose = summary.purpose();
        entity.scope = summary.scope();
        entity.content = content;
        return repository.save(entity).id;
    }

    public void purpose(long id, Purpose purpose) {
        repository.findById(id).ifPresent(b -> b.purpose = purpose);
    }

    @Transactional(readOnly = true)
    public Optional<BaselineSummary> summary(long id) {
        return repository.summary(id);
    }

    @Transactional(readOnly = true)
    public Optional<String> content(long id) {
        return repository.findById(id).map(b -> b.content);
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<BaselineSummary> ofJobs(Collection<Long> jobIds) {
        return repository.ofJobs(jobIds);
    }

    /** Of whole vehicles of a model, the newest first. */
    @Transactional(readOnly = true)
    List<BaselineSummary> whole(String pack, int most) {
        return repository.whole(pack, Limit.of(most));
    }

    /** Newest first, at most 100. */
    @Transactional(readOnly = true)
    public List<BaselineSummary> ofVehicle(long vehicleId) {
        return repository.ofVehicle(vehicleId, Limit.of(MOST));
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<Long> references(int most) {
        return repository.idsOf(Purpose.REFERENCE, Limit.of(most));
    }

    @Transactional(readOnly = true)
    public boolean has(long vehicleId, String sha256) {
        return repository.existsByVehicleIdAndSha256(vehicleId, sha256);
    }
}
