package codrane.app.cli;

import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.CodingSource;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * Reads the facts of {@code plan} from JSON. What is missing, not understood or contradictory becomes a question with
 * a name; nothing is guessed.
 */
final class FactsReader extends AskedJson {
    private static final int EARLIEST_YEAR = 1990;
    private static final int LATEST_YEAR = 2100;
    private static final Set<String> MEMBERS = Set.of(
            "schema",
            "kind",
            "pack",
            "vin",
            "date",
            "gateway",
            "module",
            "part",
            "answers",
            "settings",
            "feature",
            "features",
            "order",
            "sources",
            "keys",
            "wording",
            "content",
            "settled",
            "policy",
            "overrules",
            "market",
            "said",
            "workplace");
    private static final int MOST_KEYS = 20;

    private FactsReader(JsonNode in) {
        super(in);
    }

    /** @param facts absent when something had to be asked */
    record Result(Optional<VehicleFacts> facts, Optional<LocalDate> date, List<Question> questions) {}

    static Result read(JsonNode in) throws IOException {
        FactsReader reader = new FactsReader(in);
        Optional<VehicleFacts> facts = reader.facts();
        if (facts.isPresent()) reader.questions.addAll(PlanQuestions.of(facts.get()));
        boolean good = reader.questions.isEmpty();
        return new Result(good ? facts : Optional.empty(), reader.date(), List.copyOf(reader.questions));
    }

    /** Facts as far as they could be read; empty when not even the vehicle is known. */
    private Optional<VehicleFacts> facts() throws IOException {
        members(in, "", MEMBERS);
        Optional<JobKind> kind = kind();
        Optional<Pack> pack = pack(kind);
        if (kind.isEmpty() || pack.isEmpty()) return Optional.empty();
        Optional<Vin> vin = vin(kind.get(), pack.get());
        if (vin.isEmpty()) return Optional.empty();
        Optional<LocalDate> day = date();
        MarketRules law = market();
        Wishes wishes = new WishesReader(in, questions).wishes(pack.get());
        VehicleFacts facts = VehicleFacts.of(
                        kind.get(),
                        pack.get(),
                        vin.get(),
                        new AnswersReader(in, questions).answers(pack.get()),
                        gateway())
                .with(part(pack.get()))
                .with(wishes)
                .with(aids(pack.get()))
                .with(new PolicyReader(in, questions).policy())
                .with(day.map(law::on).orElse(law));
        // a question of the planner about something that could not be read would only repeat this one
        return questions.isEmpty() ? Optional.of(facts) : Optional.empty();
    }

    private Optional<JobKind> kind() {
        String number = text("kind");
        Optional<JobKind> kind = JobKind.of(number.toUpperCase(Locale.ROOT));
        if (kind.isEmpty())
            ask(
                    "which-kind",
                    "kind",
                    number.isEmpty()
                            ? "What kind of job is it, K1 to K19?"
                            : "\"" + number + "\" is no kind of job: which of K1 to K19 is it?");
        return kind;
    }

    /** A new tool is about no vehicle: any pack will do. */
    private Optional<Pack> pack(Optional<JobKind> kind) throws IOException {
        String name = text("pack");
        List<Pack> packs = PackFiles.valid();
        if (kind.equals(Optional.of(JobKind.READY_TOOL)) && name.isEmpty())
            return packs.stream().findFirst();
        Optional<Pack> pack = packs.stream().filter(p -> p.id().equals(name)).findFirst();
        if (pack.isEmpty())
            ask(
                    "which-pack",
                    "pack",
                    (name.isEmpty() ? "" : "No pack is called \"" + name + "\". ") + "Which model is it: "
                            + String.join(", ", packs.stream().map(Pack::id).toList()) + "?");
        return pack;
    }

    private Optional<Vin> vin(JobKind kind, Pack pack) {
        String typed = text("vin");
        if (kind == JobKind.READY_TOOL && typed.isEmpty()) return Optional.of(new Vin(pack.wmi() + "A".repeat(14)));
        VinCheck check = VinCheck.of(typed, pack.vinRule());
        if (check.vin().isEmpty())
            ask(
                    "which-vehicle",
                    "vin",
                    (typed.isEmpty() ? "" : check.reason() + " ") + "What is the VIN on the plate or the papers?");
        return check.vin();
    }

    private Optional<LocalDate> date() {
        if (!in.has("date")) return Optional.empty();
        try {
            LocalDate day = LocalDate.parse(text("date"));
            if (day.getYear() >= EARLIEST_YEAR && day.getYear() <= LATEST_YEAR) return Optional.of(day);
            throw new DateTimeParseException("not in this world", text("date"), 0);
        } catch (DateTimeParseException e) {
            if (questions.stream().noneMatch(q -> q.id().equals("which-day")))
                ask(
                        "which-day",
                        "date",
                        "\"" + InputFile.quoted(text("date")) + "\" is no date: for which day, like 2026-11-26?");
            return Optional.empty();
        }
    }

    private MarketRules market() throws IOException {
        String name = text("market");
        if (name.equals("none")) return MarketRules.NONE;
        Optional<MarketRules> rules = PackFiles.market(name);
        if (rules.isEmpty() && !name.isEmpty())
            ask("which-market", "market", "There are no rules of a market \"" + name + "\": which market is it?");
        return rules.orElse(MarketRules.NONE);
    }

    private Gateway gateway() {
        return switch (choice(in, "gateway", "gateway", List.of("none", "locked", "authorised"))
                .orElse("none")) {
            case "locked" -> new Gateway.Locked();
            case "authorised" -> new Gateway.Authorised(Instant.MAX);
            default -> new Gateway.None();
        };
    }

    private PartFacts part(Pack pack) {
        String module = text("module");
        if (!module.isEmpty() && !pack.modules().containsKey(module)) {
            ask(
                    "which-module",
                    "module",
                    "The " + pack.title() + " has no module \"" + module + "\": which of "
                            + String.join(", ", pack.modules().keySet()) + "?");
            return PartFacts.NONE;
        }
        JsonNode part = object("part", Set.of("origin", "state", "old", "offered", "fitted", "told"));
        return new PartFacts(
                module.isEmpty() ? Optional.empty() : Optional.of(module),
                constant(part, "origin", "part.origin", PartOrigin.values()),
                constant(part, "state", "part.state", PartFacts.State.values()),
                constant(part, "old", "part.old", PartFacts.Old.values()),
                part.path("offered").asString(""),
                part.path("fitted").asString(""),
                part.path("told").asString(""));
    }

    private Aids aids(Pack pack) {
        SaidReader said = new SaidReader(in, questions);
        Set<CodingSource> sources = EnumSet.noneOf(CodingSource.class);
        for (String key : texts(in.path("sources")))
            CodingSource.of(key)
                    .ifPresentOrElse(sources::add, () -> notOne("sources", key, names(CodingSource.values())));
        Set<Aids.Settling> settled = EnumSet.noneOf(Aids.Settling.class);
        for (String key : texts(in.path("settled")))
            find(Aids.Settling.values(), key)
                    .ifPresentOrElse(settled::add, () -> notOne("settled", key, names(Aids.Settling.values())));
        return new Aids(
                sources,
                keys(),
                text("wording"),
                constant(in, "content", "content", Aids.Content.values()).orElse(Aids.Content.UNKNOWN),
                settled,
                said.said(pack),
                said.workplace());
    }

    private Optional<Aids.Keys> keys() {
        if (!in.has("keys")) return Optional.empty();
        JsonNode keys = object("keys", Set.of("known", "here"));
        int known = keys.path("known").asInt(-1);
        int here = keys.path("here").asInt(-1);
        if (known < 0 || here < 0 || known > MOST_KEYS || here > MOST_KEYS) {
            ask("keys", "keys", "How many keys has the vehicle, and how many are here, 0 to " + MOST_KEYS + "?");
            return Optional.empty();
        }
        return Optional.of(new Aids.Keys(known, here));
    }
}
