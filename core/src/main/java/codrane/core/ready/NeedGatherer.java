package codrane.core.ready;

import codrane.core.pack.Concern;
import codrane.core.pack.FileRoute;
import codrane.core.pack.Habits;
import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.BringBackLearned;
import codrane.core.planner.WriteOrderBack;
import codrane.core.ready.Need.State;
import codrane.core.text.Words;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Asks rule by rule what the plan needs. */
final class NeedGatherer {
    private static final Duration CODE_LEAD = Duration.ofDays(1);
    private static final Duration MINUTES = Duration.ofMinutes(15);
    private static final Duration PERSON_LEAD = Duration.ofDays(1);
    private static final Duration PART_LEAD = Duration.ofDays(2);

    private final Plan plan;
    private final VehicleFacts facts;
    private final AtHand hand;
    private final Instant now;
    private final ZoneId zone;
    private final List<Need> needs = new ArrayList<>();

    NeedGatherer(Plan plan, VehicleFacts facts, AtHand hand, Instant now, ZoneId zone) {
        this.plan = plan;
        this.facts = facts;
        this.hand = hand;
        this.now = now;
        this.zone = zone;
    }

    List<Need> all() {
        part();
        plan.operations().forEach(this::operation);
        keys();
        if (sheet())
            found(
                    Need.Kind.LINE_SHEET,
                    "",
                    hand.lineSheet(),
                    MINUTES,
                    0,
                    "The maker's record of this VIN, line by line.");
        if (reference())
            found(
                    Need.Kind.REFERENCE,
                    "",
                    hand.reference(),
                    MINUTES,
                    0,
                    "An earlier reading of this one, or of another vehicle of the model; where others disagree, a person says.");
        pass();
        if (!facts.pack().equipment().cables().isEmpty())
            found(
                    Need.Kind.CABLE,
                    "",
                    hand.cableSeen(),
                    Duration.ZERO,
                    0,
                    "The right one for the model year: "
                            + String.join(" or ", facts.pack().cablesOf(facts.vin())) + ".");
        if (plan.has(Kind.UNLOCK)) add(AuthorityNeed.of(facts, hand, now));
        return needs;
    }

    private boolean sheet() {
        return plan.operations().stream().anyMatch(o -> o.holds().contains(HoldPoint.SHEET_CHECKED));
    }

    /** Gaps are confirmed of a reference, and of a sheet that is older than what was programmed since. */
    private boolean reference() {
        return plan.operations().stream()
                .anyMatch(o -> o.holds().contains(HoldPoint.GAPS_CONFIRMED)
                        && !o.holds().contains(HoldPoint.SHEET_CHECKED));
    }

    private void part() {
        if (!facts.kind().replaces()) return;
        boolean here = hand.partHere() || facts.part().state().isPresent();
        String words =
                facts.part().state().map(s -> "It is here: " + s.words() + ".").orElse("It answers.");
        if (here) found(Need.Kind.PART, "", true, PART_LEAD, 0, words);
        else
            noted(
                    Need.Kind.PART,
                    "",
                    workingDays(PART_LEAD),
                    Optional.empty(),
                    "Not here yet, or nobody said so at Intake.");
    }

    private void operation(Operation operation) {
        switch (operation.kind()) {
            case PROGRAM -> file(facts.pack().module(operation.module()));
            case PAIR -> codes();
            case WRITE_LEARNED -> learned(operation);
            case WRITE_ORDER -> order(operation);
            case CALIBRATE -> aiming(operation);
            case SWAP -> foreseen(facts.pack().module(operation.module()));
            default -> {}
        }
        if (operation.kind() == Kind.FUNCTION_TEST && operation.needs().contains("targets for aiming"))
            aiming(operation);
        people(operation);
        if (facts.kind() == JobKind.CHANGE_LINE && operation.kind() == Kind.WRITE_CODING)
            noted(
                    Need.Kind.INSTRUCTION,
                    "",
                    Duration.ZERO,
                    Optional.of(0),
                    "With its source: where it was found, for which models and software.");
        if (facts.kind() == JobKind.CHOOSE_VARIANT && operation.kind() == Kind.WRITE_CODING)
            noted(
                    Need.Kind.LICENCE,
                    operation.module(),
                    MINUTES,
                    Optional.empty(),
                    "Bound to this VIN at its first use; exact to the character.");
    }

    /** What is needed after the swap, whatever the new part answers: it is asked for now, so that nobody waits twice. */
    private void foreseen(PackModule module) {
        boolean byFile = facts.kind() == JobKind.REPLACE_LICENSED || facts.kind() == JobKind.REPLACE_BY_NEW;
        if (facts.oldInPlace() && byFile && module.flash().isPresent()) file(module);
        boolean aimed = facts.concerns(module.id()).contains(Concern.DRIVER_ASSISTANCE)
                && facts.pack().equipment().procedures().values().stream()
                        .anyMatch(p -> p.module().equals(module.id()) && p.effect() == Effect.CALIBRATE);
        if (aimed)
            noted(
                    Need.Kind.TARGETS,
                    module.id(),
                    PERSON_LEAD,
                    Optional.of(0),
                    "For the " + title(module.id()) + ", and an even floor with room in front.");
    }

    private void file(PackModule module) {
        FileRoute route = module.software().file();
        Duration lead = route.way() == FileRoute.Way.MAIL ? workingDays(route.lead()) : route.lead();
        String how = "For the " + module.lowerTitle() + ": " + route.way().words() + ".";
        boolean here = hand.files().contains(module.id());
        Optional<Noted> noted = Optional.ofNullable(hand.noted().get(key(Need.Kind.FILE, module.id())));
        if (!here && noted.isPresent())
            asked(Need.Kind.FILE, module.id(), noted.get(), lead, Optional.of(route.price()), how);
        else found(Need.Kind.FILE, module.id(), here, lead, route.price(), how);
        if (route.tokens() > 0 && !here) // what is here was paid
        noted(
                    Need.Kind.TOKENS,
                    facts.pack().service(),
                    MINUTES,
                    Optional.of(0),
                    route.tokens() + " for the file of the " + module.lowerTitle()
                            + ": look at the balance before and after.");
    }

    private void codes() {
        code(
                Need.Kind.ACCESS_CODE,
                workingDays(CODE_LEAD),
                "Of this vehicle; from the owner's papers, the maker or a specialist.");
        facts.pack()
                .equipment()
                .immobiliser()
                .filter(i -> i.dailyCode())
                .ifPresent(
                        i -> code(Need.Kind.DAILY_CODE, MINUTES, "Got last, on the day itself: it ends at midnight."));
    }

    private void learned(Operation operation) {
        String module = operation.module();
        if (!BringBackLearned.fromElsewhere(facts, module)) return;
        found(
                Need.Kind.LEARNED,
                module,
                hand.typed().learned().contains(module),
                workingDays(CODE_LEAD),
                0,
                "From the label of the old part, or from the maker: "
                        + BringBackLearned.names(facts.pack().module(module)) + ".");
    }

    private void order(Operation operation) {
        boolean back =
                facts.newPart().filter(m -> m.id().equals(operation.module())).isPresent();
        if (!back || !WriteOrderBack.fromPapers(facts, operation.module())) return;
        found(
                Need.Kind.ORDER,
                "",
                hand.typed().order(),
                MINUTES,
                0,
                "Its codes from the papers: no module that is left keeps it.");
    }

    private void code(Need.Kind kind, Duration lead, String sentence) {
        if (hand.typed().codes().contains(kind)) found(kind, "", true, lead, 0, "Kept encrypted, as it was typed.");
        else noted(kind, "", lead, Optional.empty(), sentence);
    }

    private void aiming(Operation operation) {
        if (facts.concerns(operation.module()).contains(Concern.DRIVER_ASSISTANCE))
            noted(
                    Need.Kind.TARGETS,
                    operation.module(),
                    PERSON_LEAD,
                    Optional.of(0),
                    "For the " + title(operation.module()) + ", and an even floor with room in front.");
    }

    private void people(Operation operation) {
        if (!operation.kind().writes()) return;
        for (Concern concern : facts.concerns(operation.module())) {
            String who = switch (concern) {
                case RESTRAINTS -> "trained for restraints";
                case HIGH_VOLTAGE -> "trained for high voltage";
                case DRIVER_ASSISTANCE -> "trained for aiming";
                case LICENSED_WORK -> "whom the law allows to do licensed work";
                default -> "";
            };
            if (!who.isEmpty())
                noted(Need.Kind.PEOPLE, concern.key(), PERSON_LEAD, Optional.of(0), "Somebody " + who + ".");
        }
    }

    private void keys() {
        boolean asked = plan.has(Kind.PAIR) || plan.has(Kind.ADD_KEY);
        if (!asked) return;
        var keys = facts.aids().keys();
        boolean all = keys.map(k -> k.known() > 0 && k.here() >= k.known()).orElse(false);
        String words =
                keys.map(k -> k.here() + " of " + k.known() + " are here.").orElse("Nobody counted them.");
        Optional<Noted> missing =
                Optional.ofNullable(hand.noted().get(key(Need.Kind.KEYS, ""))).filter(Noted::here);
        boolean givenUp = missing.isPresent();
        found(
                Need.Kind.KEYS,
                "",
                all || givenUp,
                PERSON_LEAD,
                0,
                words
                        + (givenUp && !all
                                ? " The missing ones are given up: "
                                        + missing.get().detail() + "."
                                : ""));
    }

    /** A pass is needed for whatever comes from the maker's service; what came is used without one. */
    private void pass() {
        List<Habits.Pass> passes = facts.pack().equipment().habits().passes();
        boolean service = plan.has(Kind.PROGRAM) || plan.has(Kind.PAIR) || sheet();
        if (passes.isEmpty() || !service) return;
        boolean asks = plan.has(Kind.PAIR)
                || sheet() && !hand.lineSheet()
                || plan.operations().stream()
                        .anyMatch(o -> o.kind() == Kind.PROGRAM && !hand.files().contains(o.module()));
        Instant end = now.plusSeconds(plan.seconds());
        boolean runs = hand.passUntil().filter(u -> u.isAfter(end)).isPresent();
        String sold = String.join(
                ", ",
                passes.stream()
                        .map(p -> p.days() + (p.days() == 1 ? " day " : " days ") + p.price() + " cr")
                        .toList());
        if (runs)
            found(
                    Need.Kind.PASS,
                    facts.pack().service(),
                    true,
                    MINUTES,
                    0,
                    "To " + facts.pack().maker() + "'s service, until "
                            + Words.day(hand.passUntil().get().atZone(zone).toLocalDate()) + ".");
        else if (!asks)
            found(Need.Kind.PASS, facts.pack().service(), true, MINUTES, 0, "Not needed: what it is for is here.");
        else
            noted(
                    Need.Kind.PASS,
                    facts.pack().service(),
                    MINUTES,
                    passes.stream().map(Habits.Pass::price).min(Comparator.naturalOrder()),
                    "To " + facts.pack().maker() + "'s service. Sold: " + sold + ".");
    }

    private Duration workingDays(Duration lead) {
        return WorkingDays.until(now, lead, zone);
    }

    private String title(String module) {
        return facts.pack().module(module).lowerTitle();
    }

    private static String key(Need.Kind kind, String what) {
        return kind.key() + (what.isEmpty() ? "" : ":" + what);
    }

    private void found(Need.Kind kind, String what, boolean here, Duration lead, int price, String sentence) {
        add(new Need(
                kind,
                what,
                titleOf(kind, what),
                here ? State.HERE : State.TO_GET,
                lead,
                Optional.empty(),
                Optional.of(price),
                sentence));
    }

    /** Here or not as a person noted it. */
    private void noted(Need.Kind kind, String what, Duration lead, Optional<Integer> price, String sentence) {
        Optional<Noted> noted = Optional.ofNullable(hand.noted().get(key(kind, what)));
        if (noted.isPresent()) asked(kind, what, noted.get(), lead, price, sentence);
        else add(new Need(kind, what, titleOf(kind, what), State.TO_GET, lead, Optional.empty(), price, sentence));
    }

    private void asked(
            Need.Kind kind, String what, Noted noted, Duration lead, Optional<Integer> price, String sentence) {
        boolean late = !noted.here() && noted.due().map(d -> d.isBefore(now)).orElse(false);
        State state = noted.here() ? State.HERE : late ? State.LATE : State.ASKED;
        String detail = noted.detail().isEmpty()
                ? ""
                : " " + noted.detail() + (noted.detail().endsWith(".") ? "" : ".");
        add(new Need(kind, what, titleOf(kind, what), state, lead, noted.due(), price, sentence + detail));
    }

    private String titleOf(Need.Kind kind, String what) {
        return facts.pack().modules().containsKey(what)
                ? kind.title() + ", " + facts.pack().module(what).lowerTitle()
                : kind.title();
    }

    /** Two operations may need the same thing: it is got once. */
    private void add(Need need) {
        if (needs.stream().noneMatch(n -> n.key().equals(need.key()))) needs.add(need);
    }
}
