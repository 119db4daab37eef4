package codrane.app.stage.prepare;

import codrane.app.codes.CodeStored;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Gathering;
import codrane.app.job.Room;
import codrane.app.job.Viewer;
import codrane.app.photos.Photos;
import codrane.app.policy.Passes;
import codrane.app.shelf.Shelf;
import codrane.core.calibration.Shelved;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.Prepared;
import codrane.core.octets.Bytes;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Stage;
import codrane.core.ready.Letter;
import codrane.core.ready.Need;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The room of Prepare. */
@Component
class PrepareRoom implements Room {
    private final Shelf shelf;
    private final Letters letters;
    private final Passes passes;
    private final Interfaces interfaces;
    private final Offers offers;
    private final Photos photos;

    PrepareRoom(Shelf shelf, Letters letters, Passes passes, Interfaces interfaces, Offers offers, Photos photos) {
        this.shelf = shelf;
        this.letters = letters;
        this.passes = passes;
        this.interfaces = interfaces;
        this.offers = offers;
        this.photos = photos;
    }

    @Override
    public Stage stage() {
        return Stage.PREPARE;
    }

    @Override
    public Map<Long, Prepared> gather(Gathering asked) {
        Map<Long, Shelved> calibrations = shelf.prepared(asked.ids());
        Map<Long, List<Letter>> written = letters.of(asked.ids());
        Map<String, Instant> running = passes.all();
        return asked.each(a -> new Prepared(
                Optional.ofNullable(calibrations.get(a.job().id())),
                asked.notes(a.job(), SheetStored.KIND).stream()
                        .map(SheetStored::sheet)
                        .toList(),
                noted(asked, a.job()),
                written.getOrDefault(a.job().id(), List.of()),
                Optional.ofNullable(running.get(a.pack().service())),
                codes(asked, a.job()),
                typed(asked, a.job()),
                interfaces.of(a.pack()).map(BenchInterface::samples).orElse(List.of())));
    }

    private static Map<Need.Kind, Prepared.KeptCode> codes(Gathering asked, Job job) {
        Map<Need.Kind, Prepared.KeptCode> codes = new EnumMap<>(Need.Kind.class);
        asked.notes(job, CodeStored.KIND)
                .forEach(n -> Need.Kind.of(n.subject())
                        .ifPresent(kind -> codes.put(kind, new Prepared.KeptCode(n.at(), n.who()))));
        return codes;
    }

    private static Prepared.Typed typed(Gathering asked, Job job) {
        return new Prepared.Typed(
                learned(asked, job),
                asked.notes(job, GapsStored.KIND).stream()
                        .findFirst()
                        .map(n -> n.content().values())
                        .orElse(Map.of()),
                asked.notes(job, OrderStored.KIND).stream()
                        .findFirst()
                        .map(n -> n.content().codes())
                        .orElse(List.of()));
    }

    private static Map<String, Map<String, Bytes>> learned(Gathering asked, Job job) {
        Map<String, Map<String, Bytes>> learned = new LinkedHashMap<>();
        asked.notes(job, LearnedStored.KIND).forEach(n -> learned.put(n.subject(), LearnedStored.values(n)));
        return learned;
    }

    private static Map<String, Noted> noted(Gathering asked, Job job) {
        Map<String, Noted> noted = new LinkedHashMap<>();
        asked.notes(job, NeedStored.KIND)
                .forEach(n -> noted.put(n.subject(), n.content().noted()));
        return noted;
    }

    /** Passes hold for every job. */
    @Override
    public Map<Long, ?> moved(List<Job> jobs) {
        Map<String, Instant> running = passes.all();
        Map<Long, Object> moved = new HashMap<>();
        for (Job job : jobs) moved.put(job.id(), running);
        return moved;
    }

    @Override
    public PrepareView view(JobState state, Viewer viewer) {
        Map<String, Boolean> onShelf = new HashMap<>(); // each is asked for once
        return PrepareView.of(
                state,
                offers.of(state),
                m -> onShelf.computeIfAbsent(
                        m.sha256(), sha256 -> shelf.find(m.id(), sha256).isPresent()),
                state.planHolds(HoldPoint.SHEET_CHECKED) ? photos.of(state.job().id()) : List.of(),
                viewer);
    }
}
