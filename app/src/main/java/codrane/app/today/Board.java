package codrane.app.today;

import static java.util.Objects.requireNonNull;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.JobDesk;
import codrane.app.job.JobStore;
import codrane.app.job.Room;
import codrane.app.packs.PackShelf;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.pack.Pack;
import codrane.core.power.PowerGate;
import codrane.core.power.PowerWindow;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The board of today. A card is made again only when something that it rests on has changed: an act on the job, what a
 * room says has moved, the supply, or a moment from which it reads differently. So a full board costs a query a room.
 */
@Component
class Board {
    private static final int MOST_KEPT = 1000;

    private final JobDesk desk;
    private final JobStore jobs;
    private final PackShelf packs;
    private final Interfaces interfaces;
    private final List<Room> rooms;
    private final InstantSource time;
    private final Map<String, Kept> kept = new ConcurrentHashMap<>();

    Board(JobDesk desk, JobStore jobs, PackShelf packs, Interfaces interfaces, List<Room> rooms, InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.packs = packs;
        this.interfaces = interfaces;
        this.rooms = rooms;
        this.time = time;
    }

    /** @param until from then on the card reads differently */
    private record Kept(List<Object> rests, PowerWindow window, boolean powered, Instant until, Card card) {}

    /** The first look after a start need not wait for every job to be gathered. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        Thread.ofVirtual().name("board").start(() -> cards(""));
    }

    /** Cards of all open jobs, the newest first. */
    List<Card> cards(String who) {
        if (kept.size() > MOST_KEPT) kept.clear();
        List<Job> open = jobs.open();
        Map<Long, List<Object>> rests = rests(open);
        Supply supply = new Supply();
        List<Job> stale = open.stream()
                .filter(job -> !fresh(kept.get(key(job, who)), rests.getOrDefault(job.id(), List.of()), job, supply))
                .toList();
        for (JobState state : desk.states(stale))
            keep(state, rests.getOrDefault(state.job().id(), List.of()), supply, who);
        List<Card> cards = new ArrayList<>();
        for (Job job : open) cards.add(requireNonNull(kept.get(key(job, who))).card());
        return cards;
    }

    /** Acts raise a job's version; what moves without one, the rooms say. */
    private Map<Long, List<Object>> rests(List<Job> open) {
        Map<Long, List<Object>> rests = new HashMap<>();
        for (Job job : open)
            rests.computeIfAbsent(job.id(), id -> new ArrayList<>()).add(job.version());
        for (Room room : rooms)
            room.moved(open)
                    .forEach((id, moved) -> requireNonNull(rests.get(id)).add(moved));
        return rests;
    }

    /** Only on a vehicle with a gateway is the next act another one for another person. */
    private String key(Job job, String who) {
        return (packs.get(job.packId()).hasGateway(job.vin()) ? who : "") + "/" + job.id();
    }

    private boolean fresh(@org.jspecify.annotations.Nullable Kept before, List<Object> rests, Job job, Supply supply) {
        return before != null
                && before.rests().equals(rests)
                && time.instant().isBefore(before.until())
                && before.powered() == supply.holds(packs.get(job.packId()), before.window());
    }

    private void keep(JobState state, List<Object> rests, Supply supply, String who) {
        PowerWindow window = state.window();
        kept.put(
                key(state.job(), who),
                new Kept(rests, window, supply.holds(state.pack(), window), Card.until(state), Card.of(state, who)));
    }

    /** Whether the supply would do, asked once a board. */
    private final class Supply {
        private final Map<String, Boolean> known = new HashMap<>();

        boolean holds(Pack pack, PowerWindow window) {
            return known.computeIfAbsent(
                    pack.id() + "/" + window.name() + "/" + window.start(),
                    k -> PowerGate.start(
                                    interfaces
                                            .of(pack)
                                            .map(BenchInterface::samples)
                                            .orElse(List.of()),
                                    window,
                                    time.instant())
                            .passes());
        }
    }
}
