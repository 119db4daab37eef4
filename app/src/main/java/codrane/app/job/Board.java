package codrane.app.job;

import codrane.app.access.Access;
import codrane.app.job.jpa.JobStore;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.app.vehicle.PackShelf;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.pack.Pack;
import codrane.core.plan.Stage;
import codrane.core.power.PowerGate;
import codrane.core.power.PowerWindow;
import codrane.core.ready.Readiness;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * The board of today. A card is made again only when something that it rests on has changed: the job's revision, the
 * supply, what the authority said, or a moment from which it reads differently. So a full board costs one query.
 */
@Component
class Board {
    private static final int MOST_KEPT = 1000;

    private final JobDesk desk;
    private final JobStore jobs;
    private final PackShelf packs;
    private final Interfaces interfaces;
    private final Access access;
    private final InstantSource time;
    private final Map<String, Kept> kept = new ConcurrentHashMap<>();

    Board(JobDesk desk, JobStore jobs, PackShelf packs, Interfaces interfaces, Access access, InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.packs = packs;
        this.interfaces = interfaces;
        this.access = access;
        this.time = time;
    }

    /**
     * A job on the board.
     *
     * @param column run, person, start or wait
     * @param percent of the run, 0..100; -1 when there is none under way
     */
    public record Card(long number, String title, String vehicle, String line, String column, int percent) {}

    /** @param until from then on the card reads differently */
    private record Kept(long revision, String around, PowerWindow window, Instant until, Card card) {}

    /** The first look after a start need not wait for every job to be gathered. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        Thread.ofVirtual().name("board").start(() -> cards(""));
    }

    /** Cards of all open jobs, the newest first. */
    List<Card> cards(String who) {
        Map<String, String> around = new HashMap<>();
        List<Card> cards = new ArrayList<>();
        if (kept.size() > MOST_KEPT) kept.clear();
        for (Job job : jobs.open()) cards.add(card(job, who, around));
        return cards;
    }

    private Card card(Job job, String who, Map<String, String> around) {
        Instant now = time.instant();
        // only on a vehicle with a gateway is the next act another one for another person
        String person = packs.get(job.packId()).hasGateway(job.vin()) ? who : "";
        String key = person + "/" + job.id();
        Kept before = kept.get(key);
        if (before != null
                && before.revision() == job.revision()
                && now.isBefore(before.until())
                && before.around().equals(around(job, before.window(), person, around))) return before.card();
        JobFacts facts = desk.facts(job);
        Card card = card(facts, who);
        kept.put(
                key,
                new Kept(
                        job.revision(),
                        around(job, facts.window(), person, around),
                        facts.window(),
                        until(facts, now),
                        card));
        return card;
    }

    /** What a card rests on besides the job itself: whether the supply would do, and what the authority said. */
    private String around(Job job, PowerWindow window, String who, Map<String, String> known) {
        return known.computeIfAbsent(who + "/" + job.packId() + "/" + window.name() + "/" + window.start(), k -> {
            Pack pack = packs.get(job.packId());
            Optional<BenchInterface> bench = interfaces.of(pack);
            boolean powered = PowerGate.start(
                            bench.map(BenchInterface::samples).orElse(List.of()), window, time.instant())
                    .passes();
            String authority = pack.gateway()
                    .flatMap(g -> access.known(g.authority()))
                    .map(a -> a.account() + a.trouble())
                    .orElse("");
            return powered + " "
                    + bench.flatMap(BenchInterface::tool).map(t -> t.serial()).orElse("") + " " + authority + " " + who;
        });
    }

    /** The next moment from which the card may read differently: midnight at the latest. */
    private static Instant until(JobFacts facts, Instant now) {
        ZoneId zone = ZoneId.systemDefault();
        List<Instant> moments = new ArrayList<>();
        moments.add(
                LocalDate.ofInstant(now, zone).plusDays(1).atStartOfDay(zone).toInstant());
        facts.readiness()
                .map(Readiness::needs)
                .orElse(List.of())
                .forEach(n -> n.due().ifPresent(moments::add));
        facts.decided().passUntil().ifPresent(moments::add);
        Instant ends = now.plus(facts.access().left());
        moments.add(ends);
        moments.add(ends.minusSeconds(facts.writingSeconds())); // from then on it is too short for the writes
        return moments.stream()
                .filter(now::isBefore)
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }

    static Card card(JobFacts facts, String who) {
        Job job = facts.job();
        Stage current = facts.progress().current();
        NextAct next = NextActs.of(facts, facts.runHolds() ? Stage.RUN : current, who);
        String title = facts.replaced()
                .filter(m -> job.kind().replaces())
                .map(m -> m.title() + job.origin().map(o -> ", " + o.words()).orElse(""))
                .orElse(job.kind().title());
        int percent =
                facts.run().filter(r -> facts.runHolds()).map(Board::percent).orElse(-1);
        return new Card(
                job.number(),
                title,
                job.model() + " …" + job.vin().end(),
                current.title() + ": " + next.title(),
                column(facts, next),
                percent);
    }

    private static String column(JobFacts facts, NextAct next) {
        if (facts.runHolds()) return "run";
        // nothing keeps anybody from beginning it
        if (facts.progress().current() == Stage.INTAKE) return "start";
        return switch (next.tone()) {
            case PERSON -> "person";
            case WAITS -> "wait";
            case DO, WRITE, DIFFERS, SETTLED -> "start";
        };
    }

    private static int percent(JobRun run) {
        if (run.blocks() > 0) return 100 * run.block() / run.blocks();
        return 100 * run.taskIndex() / Math.max(1, run.taskCount());
    }
}
