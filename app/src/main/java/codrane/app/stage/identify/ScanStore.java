package codrane.app.stage.identify;

import static java.util.Objects.requireNonNull;

import codrane.core.job.Scan;
import codrane.core.scan.ModuleReading;
import java.time.Instant;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps scans. None ever changes, so that what was parsed once is kept in memory. */
@Component
@Transactional
class ScanStore {
    private static final int MOST_PARSED = 1000;

    private final ScanRepository scans;
    private final Map<Long, Map<String, ModuleReading>> parsed = new ConcurrentHashMap<>();

    ScanStore(ScanRepository scans) {
        this.scans = scans;
    }

    void add(long jobId, Map<String, ModuleReading> readings, String who, Instant now) {
        ScanEntity scan = new ScanEntity();
        scan.jobId = jobId;
        scan.takenAt = now;
        scan.takenBy = who;
        scan.form = ScanStored.FORM;
        scan.readings = ScanStored.write(readings);
        scans.save(scan);
    }

    /** By job, oldest first. */
    @Transactional(readOnly = true)
    Map<Long, List<Scan>> of(Collection<Long> jobIds) {
        List<ScanRepository.Head> heads = scans.heads(jobIds);
        if (parsed.size() > MOST_PARSED) parsed.clear();
        List<Long> unknown = heads.stream()
                .map(ScanRepository.Head::id)
                .filter(id -> !parsed.containsKey(id))
                .toList();
        if (!unknown.isEmpty())
            for (ScanEntity scan : scans.findAllById(unknown))
                parsed.put(scan.id, Collections.unmodifiableMap(ScanStored.read(scan.form, scan.readings)));
        return heads.stream()
                .collect(Collectors.groupingBy(
                        ScanRepository.Head::jobId, Collectors.mapping(this::scan, Collectors.toList())));
    }

    private Scan scan(ScanRepository.Head head) {
        return new Scan(head.id(), head.takenAt(), head.takenBy(), requireNonNull(parsed.get(head.id())));
    }
}
