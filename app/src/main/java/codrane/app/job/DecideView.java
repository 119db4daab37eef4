package codrane.app.job;

import codrane.app.decide.MenuMap;
import codrane.app.job.jpa.JobStore;
import codrane.core.baseline.PutBack;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.job.Scan;
import codrane.core.pack.MarketRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.PartCheck;
import codrane.core.plan.PlanChange;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.CodingSources;
import codrane.core.planner.LawAllows;
import codrane.core.planner.PlanQuestions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What the page of Decide shows besides the plan itself.
 *
 * @param change against the plan before; empty when there is none, or it is the same
 * @param unable keys of operations that are planned and can't be carried out yet
 * @param done when what needs no writing was done already, by key of the operation
 * @param meanings what the service information says, each with its sentence
 * @param part the replacing part judged; empty when nothing was replaced
 * @param menus what tools call an operation, by key of the operation
 * @param sources of the coding, the surest first; empty when none is written
 */
public record DecideView(
        VehicleFacts facts,
        List<PlanQuestions.Question> questions,
        Optional<PlanChange> change,
        Set<String> unable,
        Map<String, String> done,
        List<Call> calls,
        Map<String, String> meanings,
        Optional<PartCheck> part,
        List<CodingSources.Ranked> sources,
        List<MarketRules.Rule> rules,
        List<Chosen> chosen,
        List<Choice> choices,
        Optional<PowerPicture> power,
        Map<String, List<MenuMap.Entry>> menus) {
    /**
     * A judgement call.
     *
     * @param says the rule that rests on it
     */
    public record Call(School school, String answer, String source, boolean overruled, String says) {}

    /** A setting that is to be changed. */
    public record Chosen(String key, String title, String from, String to) {}

    /** A setting that can be chosen. */
    public record Choice(String key, String title, String now, List<String> values) {}

    private static final Map<School, String> RULES = Map.of(
            School.PART, "part-must-fit",
            School.SOFTWARE, "program-or-code",
            School.NEIGHBOURS, "neighbours-too",
            School.CODING_LINK, "wired-or-wireless",
            School.PROGRAMMING_LINK, "wired-or-wireless",
            School.CODING_VOLTAGE, "hold-the-voltage",
            School.PROGRAMMING_VOLTAGE, "hold-the-voltage",
            School.LONG_READ, "support-unit-or-engine");

    static DecideView of(JobFacts job, Scan scan, JobStore jobs, MenuMap menus) {
        VehicleFacts facts = job.vehicleFacts(scan);
        Optional<PlanChange> change = job.plan()
                .flatMap(p ->
                        jobs.planBefore(job.job().id(), p.version()).map(before -> PlanChange.of(before, p.plan())))
                .filter(c -> !c.empty());
        Set<String> unable = job.plan().stream()
                .flatMap(p -> p.plan().writes())
                .filter(o -> !RunOrders.able(job, o))
                .map(Operation::key)
                .collect(Collectors.toSet());
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        Map<String, String> meanings = new java.util.LinkedHashMap<>();
        for (ServiceWording.Meaning meaning : ServiceWording.Meaning.values())
            wording.evidence(meaning).ifPresent(sentence -> meanings.put(meaning.key(), sentence));
        boolean codes = job.plan()
                .map(p -> p.plan().has(Operation.Kind.WRITE_CODING))
                .orElse(job.job().kind().replaces());
        return new DecideView(
                facts,
                PlanQuestions.of(facts),
                change,
                unable,
                done(job, scan),
                calls(job, facts),
                meanings,
                facts.module().filter(m -> job.job().kind().replaces()).map(m -> PartCheck.of(facts)),
                codes && job.job().kind().replaces()
                        ? facts.module().map(m -> CodingSources.rank(facts, m)).orElse(List.of())
                        : List.of(),
                LawAllows.rules(facts),
                chosen(job, facts),
                choices(job, scan),
                job.plan().flatMap(p -> PowerPicture.of(job, p.plan())),
                job.plan()
                        .map(p -> menus.of(job.pack().id(), p.plan().operations()))
                        .orElse(Map.of()));
    }

    /** Operations that a reading shows to be done. */
    private static Map<String, String> done(JobFacts job, Scan scan) {
        Map<String, String> done = new java.util.LinkedHashMap<>();
        done.put("scan", NextNeedAct.day(scan.takenAt()));
        job.baseline().ifPresent(b -> done.put("baseline", NextNeedAct.day(b.takenAt())));
        if (job.access().open()) done.put("unlock", "seen open");
        if (!job.oldCoding().isEmpty())
            done.put("read-coding-" + job.job().replacedModule().orElse(""), "kept");
        return done;
    }

    /** Only calls on which this plan depends. */
    private static List<Call> calls(JobFacts job, VehicleFacts facts) {
        if (job.plan().isEmpty()) return List.of();
        boolean programs = job.planHas(Operation.Kind.PROGRAM);
        boolean writes = job.plan().get().plan().writes().findAny().isPresent();
        List<Call> calls = new ArrayList<>();
        for (School school : School.values()) {
            boolean relevant = switch (school) {
                case PART, SOFTWARE, CODING_SOURCE -> job.job().kind().replaces();
                case NEIGHBOURS -> job.job().kind().namesModule();
                case CODING_LINK, CODING_VOLTAGE -> writes && !programs;
                case PROGRAMMING_LINK, PROGRAMMING_VOLTAGE -> programs;
                case LONG_READ -> !writes;
            };
            if (relevant) calls.add(call(job, facts.policy(), school));
        }
        return calls;
    }

    private static Call call(JobFacts job, Policy policy, School school) {
        String says = school == School.CODING_SOURCE ? source(job) : said(job, RULES.get(school));
        return new Call(
                school,
                policy.answer(school),
                policy.source(school),
                policy.overrule(school).isPresent(),
                says);
    }

    private static String said(JobFacts job, String rule) {
        return job.plan().orElseThrow().plan().decisions().stream()
                .filter(d -> d.rule().equals(rule))
                .map(d -> d.judgement().reason())
                .findFirst()
                .orElse("");
    }

    /** The source that the plan took, as it says itself; else why nothing is coded. */
    private static String source(JobFacts job) {
        return job.plan().orElseThrow().plan().operations().stream()
                .filter(o -> o.kind() == Operation.Kind.WRITE_CODING)
                .flatMap(o -> o.reasons().stream())
                .filter(r -> r.startsWith("Source: "))
                .findFirst()
                .orElseGet(() -> said(job, "write-vehicle-coding"));
    }

    private static List<Chosen> chosen(JobFacts job, VehicleFacts facts) {
        List<Chosen> chosen = new ArrayList<>();
        if (!PlanFacts.byName(job.job().kind())) return chosen;
        for (int i = 0; i < job.putBack().size(); i++) {
            PutBack setting = job.putBack().get(i);
            SettingChange change = facts.wishes().settings().get(i);
            String where = job.pack().module(setting.module()).title() + ": " + change.title();
            chosen.add(
                    setting.whole()
                            ? new Chosen(setting.key(), where, octets(setting.found(), setting.value()), "")
                            : new Chosen(setting.key(), where, setting.found(), setting.value()));
        }
        return chosen;
    }

    /** Octets that differ, by their place in the block from 0. */
    private static String octets(String from, String to) {
        List<String> differ = new ArrayList<>();
        for (int i = 0; i + 2 <= from.length() && i + 2 <= to.length(); i += 2)
            if (!from.substring(i, i + 2).equals(to.substring(i, i + 2)))
                differ.add("octet " + i / 2 + ": " + from.substring(i, i + 2) + " → " + to.substring(i, i + 2));
        return String.join(", ", differ);
    }

    private static List<Choice> choices(JobFacts job, Scan scan) {
        List<Choice> choices = new ArrayList<>();
        JobKind kind = job.job().kind();
        if (!PlanFacts.byName(kind) || kind == JobKind.CHANGE_LINE) return choices;
        for (PackModule module : job.pack().modules().values())
            for (Layout layout : job.pack().blocksOf(module))
                for (Field field : layout.fields()) {
                    Optional<String> now = PlanFacts.value(job, scan, layout.id(), field.key());
                    boolean identity = field.key().equals(job.pack().madeFor().get(layout.id()));
                    if (now.isPresent() && !identity)
                        choices.add(new Choice(
                                layout.id() + "/" + field.key(),
                                module.title() + ": " + field.title(),
                                now.get(),
                                List.copyOf(field.values().values())));
                }
        return choices;
    }
}
