package codrane.app.tools;

import codrane.app.access.Access;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.Times;
import codrane.core.pack.Pack;
import codrane.core.part.Version;
import codrane.core.text.Words;
import codrane.core.tool.ToolFacts;
import codrane.core.tool.ToolFacts.Told;
import codrane.core.tool.ToolFacts.Versions;
import codrane.core.tool.ToolLook;
import codrane.core.tool.ToolSetup;
import codrane.core.tool.ToolStep;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The workshop's interfaces: what is known of each, and how far a new one is. */
@Component
public class Tools {
    private final ToolStore store;
    private final Interfaces interfaces;
    private final PackShelf packs;
    private final Access access;
    private final AuditTrail audit;
    private final InstantSource time;
    private final ZoneId zone;

    Tools(
            ToolStore store,
            Interfaces interfaces,
            PackShelf packs,
            Access access,
            AuditTrail audit,
            InstantSource time,
            ZoneId zone) {
        this.zone = zone;
        this.store = store;
        this.interfaces = interfaces;
        this.packs = packs;
        this.access = access;
        this.audit = audit;
        this.time = time;
    }

    /** A module of a vehicle answered over the interface. */
    public void answered(String tool, Instant at) {
        store.answered(tool, at);
    }

    /** What a vehicle and a job ask of an interface. */
    public record Wanted(Pack pack, List<String> cables, boolean cableSeen, boolean wiredOnly, boolean gateway) {}

    /** @param answeredAt when a module of this very vehicle answered */
    public ToolFacts facts(BenchInterface bench, Wanted wanted, Optional<Instant> answeredAt) {
        return new ToolFacts(
                bench.name(),
                bench.tool().map(t -> told(bench, t)),
                bench.wanted(),
                store.noted(bench.name()).licenceUntil(),
                wanted.gateway() ? registration(bench, wanted.pack()) : Optional.empty(),
                wanted.cables(),
                wanted.cableSeen(),
                wanted.wiredOnly(),
                answeredAt);
    }

    static Told told(BenchInterface bench, ToolLook look) {
        return new Told(
                look.serial(),
                bench.serialMask(),
                new Versions(look.driver(), look.firmware()),
                look.wireless(),
                look.celsius());
    }

    /** As the authority said last; not known when it was never asked. */
    private Optional<Boolean> registration(BenchInterface bench, Pack pack) {
        String authority = pack.gateway().orElseThrow().authority();
        return access.known(authority)
                .map(k -> k.account()
                        .tools()
                        .containsKey(bench.tool().map(ToolLook::serial).orElse("")));
    }

    /** Authorities of the vehicles that the interface can speak to. */
    private List<String> authorities(BenchInterface bench) {
        return packs.all().stream()
                .filter(p -> p.gateway().isPresent() && bench.fits(p))
                .map(p -> p.gateway().get().authority())
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * How far making it ready is.
     *
     * @return empty when it was never begun
     */
    Optional<ToolSetup> setup(BenchInterface bench) {
        ToolStore.Noted noted = store.noted(bench.name());
        if (noted.setupBegunAt().isEmpty()) return Optional.empty();
        Set<ToolStep> done = EnumSet.noneOf(ToolStep.class);
        done.addAll(store.steps(bench.name()));
        Map<ToolStep, String> found = new EnumMap<>(ToolStep.class);
        bench.tool().ifPresent(t -> told(bench, t, done, found));
        noted.licenceUntil().ifPresent(until -> fact(ToolStep.LICENCE, "Until " + Words.day(until) + ".", done, found));
        registered(bench, done, found);
        noted.answeredAt()
                .filter(at -> at.isAfter(noted.setupBegunAt().get()))
                .ifPresent(at -> fact(ToolStep.FIRST_ANSWER, "A vehicle answered.", done, found));
        return Optional.of(ToolSetup.of(done, found));
    }

    private static void fact(ToolStep step, String sentence, Set<ToolStep> done, Map<ToolStep, String> found) {
        done.add(step);
        found.put(step, sentence);
    }

    private static void told(BenchInterface bench, ToolLook look, Set<ToolStep> done, Map<ToolStep, String> found) {
        fact(ToolStep.PLUG_IN, look.name() + " tells about itself.", done, found);
        if (bench.serialMask().judge(look.serial()).valid())
            fact(ToolStep.NUMBER, look.serial() + ", as its model has them.", done, found);
        String wanted = bench.wanted().firmware();
        boolean old = Version.parse(look.firmware()).compareTo(Version.parse(wanted)) < 0;
        found.put(ToolStep.FIRMWARE, "It has " + look.firmware() + (old ? "; " + wanted + " is needed." : "."));
        if (!old) done.add(ToolStep.FIRMWARE);
    }

    private void registered(BenchInterface bench, Set<ToolStep> done, Map<ToolStep, String> found) {
        String serial = bench.tool().map(ToolLook::serial).orElse("");
        List<String> missing = authorities(bench).stream()
                .filter(a -> access.known(a)
                        .filter(k -> k.account().tools().containsKey(serial))
                        .isEmpty())
                .toList();
        if (missing.isEmpty()) fact(ToolStep.REGISTER, "At every authority that is needed.", done, found);
        else
            found.put(
                    ToolStep.REGISTER,
                    "Missing at "
                            + missing.stream()
                                    .map(a -> access.known(a)
                                            .map(k -> k.account().authority())
                                            .orElse(a))
                                    .collect(Collectors.joining(", "))
                            + ".");
    }

    void begin(String tool, String who) {
        store.begin(tool, time.instant(), who);
        audit.record(who, "began to make a tool ready", tool, "");
    }

    /** @return why not, as a sentence */
    Optional<String> done(BenchInterface bench, ToolStep step, String who) {
        Optional<ToolSetup> setup = setup(bench);
        if (setup.isEmpty()) return Optional.of("Making it ready was not begun.");
        Optional<String> refusal = setup.get().refusal(step);
        if (refusal.isEmpty()) {
            store.step(bench.name(), step, time.instant(), who);
            audit.record(who, "did a step of making a tool ready", bench.name(), step.key());
        }
        return refusal;
    }

    /** @return why not, as a sentence */
    public Optional<String> licence(String tool, String typed, String who) {
        Optional<LocalDate> until = Times.dayFrom(today(), typed);
        if (until.isEmpty())
            return Optional.of(
                    "Say until which day the licence runs: today or later, and within thirty years. Nothing was changed.");
        store.licence(tool, until.get());
        audit.record(who, "noted a licence", tool, until.get().toString());
        return Optional.empty();
    }

    public LocalDate today() {
        return LocalDate.ofInstant(time.instant(), zone);
    }

    List<BenchInterface> all() {
        return interfaces.all();
    }

    ToolStore.Noted noted(String tool) {
        return store.noted(tool);
    }

    /** Asks the authorities, so that what is shown is of now. */
    void refresh(BenchInterface bench) {
        authorities(bench).forEach(access::refresh);
    }

    /** Registers it at every authority that does not have it yet; stops at the first that refuses. */
    Optional<String> register(BenchInterface bench, String who) {
        Optional<ToolLook> look = bench.tool();
        if (look.isEmpty()) return Optional.of("It does not tell its number: connect it.");
        for (String authority : authorities(bench)) {
            boolean there = access.known(authority)
                    .filter(k -> k.account().tools().containsKey(look.get().serial()))
                    .isPresent();
            if (there) continue;
            Optional<String> refusal = access.addTool(
                    authority, bench.name(), bench.serialMask(), look.get().serial(), who);
            if (refusal.isPresent()) return refusal;
        }
        return Optional.empty();
    }
}
