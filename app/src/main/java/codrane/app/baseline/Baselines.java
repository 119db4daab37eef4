package codrane.app.baseline;

import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.Job;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.databind.ObjectMapper;

/** The workshop's baselines. What is stored never changes, so that what was parsed once is kept. */
@Component
public class Baselines {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST_PARSED = 200;
    private static final int MOST_REFERENCES = 40;
    /** So many of the newest of a model are looked through. */
    private static final int MOST_LOOKED_AT = 60;

    private static final int MOST_OTHERS = 5;

    private final BaselineStore store;
    private final Map<Long, BaselineFile> parsed = new ConcurrentHashMap<>();

    Baselines(BaselineStore store) {
        this.store = store;
    }

    /** There is no baseline of this number. */
    public static final class UnknownBaselineException extends RuntimeException {
        UnknownBaselineException(long id) {
            super("There is no baseline " + id + ".");
        }
    }

    /**
     * Where a baseline belongs.
     *
     * @param jobId null for none
     * @param scope one module, or empty for the whole vehicle
     */
    public record Place(
            @org.jspecify.annotations.Nullable Long jobId,
            long vehicleId,
            Origin origin,
            Purpose purpose,
            String scope) {}

    public long add(Place place, Baseline baseline, Instant takenAt, String who) {
        BaselineSummary summary = new BaselineSummary(
                0,
                place.jobId(),
                place.vehicleId(),
                takenAt,
                who,
                baseline.sha256(),
                place.origin(),
                place.purpose(),
                place.scope(),
                baseline.json().length());
        return store.add(summary, baseline.json());
    }

    /** @throws UnknownBaselineException when there is none */
    public BaselineSummary summary(long id) {
        return store.summary(id).orElseThrow(() -> new UnknownBaselineException(id));
    }

    /** @throws UnknownBaselineException when there is none */
    public String content(long id) {
        return store.content(id).orElseThrow(() -> new UnknownBaselineException(id));
    }

    /** @throws UnknownBaselineException when there is none */
    public BaselineFile file(long id) {
        if (parsed.size() > MOST_PARSED) parsed.clear();
        return parsed.computeIfAbsent(id, i -> parse(content(i)));
    }

    private static BaselineFile parse(String content) {
        return switch (BaselineFile.read(JSON.readValue(content, Object.class))) {
            case BaselineFile.Read.File(BaselineFile file) -> file;
            case BaselineFile.Read.Bad(String reason) ->
                throw new IllegalStateException("a stored baseline can't be read: " + reason);
        };
    }

    /** By job, oldest first. */
    public Map<Long, List<BaselineSummary>> ofJobs(Collection<Long> jobIds) {
        return store.ofJobs(jobIds).stream().collect(Collectors.groupingBy(BaselineSummary::jobId));
    }

    /** Newest first. */
    public List<BaselineSummary> ofVehicle(long vehicleId) {
        return store.ofVehicle(vehicleId);
    }

    public boolean has(long vehicleId, String sha256) {
        return store.has(vehicleId, sha256);
    }

    /** What was read of the vehicle in other jobs: first how they left it, the newest first, then what they found. */
    public List<BaselineSummary> earlier(long vehicleId, long jobId) {
        return store.ofVehicle(vehicleId).stream()
                .filter(b -> b.jobId() == null || b.jobId() != jobId)
                .filter(BaselineSummary::whole)
                .sorted(Comparator.comparing((BaselineSummary b) -> b.purpose() != Purpose.AS_LEFT))
                .toList();
    }

    void makeReference(long id) {
        store.purpose(summary(id).id(), Purpose.REFERENCE);
    }

    /**
     * Whole baselines of a job's vehicle from before the job, the newest first; then the newest of each other vehicle of
     * its model. What was read in the job itself may be the new part's.
     */
    public List<BaselineFile> sources(Job job, String packId) {
        List<BaselineFile> own = new ArrayList<>();
        Map<String, BaselineFile> others = new LinkedHashMap<>();
        for (BaselineSummary summary : store.whole(packId, MOST_LOOKED_AT)) {
            BaselineFile file = file(summary.id());
            boolean ofJob = Objects.equals(summary.jobId(), job.id());
            if (summary.vehicleId() == job.vehicle().id()) {
                if (!ofJob) own.add(file);
            } else if (others.size() < MOST_OTHERS) others.putIfAbsent(file.vin(), file);
        }
        own.addAll(others.values());
        return own;
    }

    /** Healthy vehicles of the pack, with the key in the same position. */
    List<BaselineFile> references(BaselineFile like) {
        return store.references(MOST_REFERENCES * 4).stream()
                .map(this::file)
                .filter(f -> f.pack().equals(like.pack()) && f.key().equals(like.key()))
                .limit(MOST_REFERENCES)
                .toList();
    }
}
