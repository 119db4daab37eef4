package codrane.app.cli;

import codrane.core.coding.Layout;
import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.CodingSource;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Aids;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.planner.PlanQuestions;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
            "order",
            "sources",
            "keys",
            "wording",
            "content",
            "settled",
            "policy",
            "overrules",
            "market");
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
        Optional<Wishes> wishes = wishes(pack.get());
        VehicleFacts facts = VehicleFacts.of(kind.get(), pack.get(), vin.get(), answers(pack.get()), gateway())
                .with(part(pack.get()))
                .with(wishes.orElse(Wishes.NONE))
                .with(aids())
                .with(policy())
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

    private Map<String, ModuleAnswer> answers(Pack pack) {
        Map<String, ModuleAnswer> answers = new LinkedHashMap<>();
        JsonNode all = object("answers", Set.copyOf(pack.modules().keySet()));
        for (PackModule module : pack.modules().values())
            if (all.has(module.id())) answers.put(module.id(), answer(module, all.path(module.id())));
        return answers;
    }

    private ModuleAnswer answer(PackModule module, JsonNode in) {
        String at = "answers." + module.id();
        if (!in.isObject()) {
            ask("not-understood", at, "What did the " + module.lowerTitle() + " answer: an object is needed?");
            return ModuleAnswer.SILENT;
        }
        members(in, at + ".", Set.of("presence", "vin", "software", "coding", "faults"));
        Presence presence =
                constant(in, "presence", at + ".presence", Presence.values()).orElse(Presence.ANSWERS);
        CodingState coding = constant(in, "coding", at + ".coding", CodingState.values())
                .orElse(module.blocks().isEmpty() ? CodingState.NONE : CodingState.NOT_READ);
        if (presence == Presence.BOOT_ONLY
                && in.has("software")
                && !in.path("software").asString("").isEmpty())
            ask(
                    "boot-only-with-software",
                    at + ".software",
                    "Only boot software answers, yet the " + module.lowerTitle() + " says software "
                            + in.path("software").asString("") + ": which is right?");
        if (presence == Presence.SILENT && in.size() > 1)
            ask(
                    "silent-with-answers",
                    at + ".presence",
                    "The " + module.lowerTitle() + " is said to be silent, and to have answered: which is right?");
        return new ModuleAnswer(
                presence,
                in.has("vin") ? Optional.of(in.path("vin").asString("").strip()) : Optional.empty(),
                in.path("software").asString(""),
                coding,
                faults(module, in.path("faults"), at));
    }

    private List<Fault> faults(PackModule module, JsonNode in, String at) {
        List<Fault> faults = new ArrayList<>();
        for (JsonNode fault : in) {
            try {
                faults.add(new Fault(
                        module.id(),
                        FaultCode.parse(fault.path("code").asString("")),
                        Integer.parseInt(fault.path("status").asString("08"), 16) & 0xFF));
            } catch (IllegalArgumentException e) {
                ask(
                        "which-fault",
                        at + ".faults",
                        "A fault has a code like B1A04-54 and a status of two hex digits: which is meant by " + fault
                                + "?");
            }
        }
        return faults;
    }

    private Optional<Wishes> wishes(Pack pack) {
        List<SettingChange> settings = new ArrayList<>();
        for (JsonNode setting : in.path("settings")) setting(pack, setting).ifPresent(settings::add);
        String feature = text("feature");
        if (!feature.isEmpty() && pack.equipment().feature(feature).isEmpty())
            ask(
                    "which-equipment",
                    "feature",
                    "The pack knows no equipment \"" + feature + "\": which of "
                            + String.join(
                                    ", ",
                                    pack.equipment().features().stream()
                                            .map(f -> f.id())
                                            .toList())
                            + "?");
        JsonNode order = object("order", Set.of("now", "out", "in"));
        Set<String> known =
                pack.equipment().order().map(o -> o.titles().keySet()).orElse(Set.of());
        Wishes.OrderChange change = new Wishes.OrderChange(
                codes(order, "now", known), codes(order, "out", known), codes(order, "in", known));
        return Optional.of(new Wishes(
                settings,
                feature.isEmpty()
                        ? Optional.empty()
                        : pack.equipment().feature(feature).map(f -> f.id()),
                change));
    }

    private List<String> codes(JsonNode order, String key, Set<String> known) {
        List<String> codes = texts(order.path(key));
        for (String code : codes)
            if (!known.contains(code))
                ask("which-codes", "order." + key, "The pack knows no option code \"" + code + "\": which is meant?");
        return codes;
    }

    private Optional<SettingChange> setting(Pack pack, JsonNode in) {
        String block = in.path("block").asString("");
        String field = in.path("field").asString("");
        String to = in.path("to").asString("");
        Layout layout = pack.layouts().get(block);
        Optional<PackModule> holder = pack.modules().values().stream()
                .filter(m -> m.blocks().contains(block))
                .findFirst();
        if (layout == null || holder.isEmpty() || layout.field(field).isEmpty()) {
            ask(
                    "which-settings",
                    "settings",
                    "The pack knows no setting \"" + block + "/" + field + "\": which is meant?");
            return Optional.empty();
        }
        boolean needed = in.has("to");
        if (needed
                && layout.encode(Map.of(field, to), Bytes.filled(layout.length(), 0))
                        instanceof Layout.Encoded.Refused(String reason)) {
            ask("to-what", "settings", reason + " What is it to be?");
            return Optional.empty();
        }
        return Optional.of(new SettingChange(
                holder.get().id(),
                block,
                field,
                SettingChange.titleOf(layout, field),
                in.path("from").asString(""),
                to,
                Optional.empty()));
    }

    private Aids aids() {
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
                settled);
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

    private Policy policy() {
        Map<School, String> answers = new EnumMap<>(School.class);
        JsonNode policy = object(
                "policy",
                Set.copyOf(Arrays.stream(School.values()).map(School::key).toList()));
        for (School school : School.values())
            choice(policy, school.key(), "policy." + school.key(), school.answers())
                    .ifPresent(answer -> answers.put(school, answer));
        List<Policy.Overrule> overrules = new ArrayList<>();
        for (JsonNode overrule : in.path("overrules")) overrule(overrule).ifPresent(overrules::add);
        return new Policy(answers, overrules);
    }

    private Optional<Policy.Overrule> overrule(JsonNode in) {
        Optional<School> school = School.of(in.path("school").asString(""));
        if (school.isEmpty()) {
            notOne(
                    "overrules",
                    in.path("school").asString(""),
                    Arrays.stream(School.values()).map(School::key).toList());
            return Optional.empty();
        }
        Optional<String> answer = choice(in, "answer", "overrules", school.get().answers());
        String reason = in.path("reason").asString("");
        if (reason.isBlank())
            ask("why-overruled", "overrules", "Why is \"" + school.get().question() + "\" overruled?");
        if (answer.isEmpty() || reason.isBlank()) return Optional.empty();
        return Optional.of(new Policy.Overrule(
                school.get(), answer.get(), reason.strip(), in.path("by").asString("")));
    }
}
