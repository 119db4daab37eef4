package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.MarketRules;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.Beside;
import codrane.core.planner.CodingSources;
import codrane.core.planner.FaultOutlook;
import codrane.core.planner.LawAllows;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.planner.Planner;
import codrane.core.planner.WaysOn;
import codrane.core.power.PowerWindow;
import codrane.core.ready.AtHand;
import codrane.core.ready.Need;
import codrane.core.ready.Readiness;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

/** {@code plan FACTS.json [--json]}: a plan from facts, or the questions that must be answered first. */
@Command(name = "plan", description = "A plan from facts, or the questions that must be answered first.")
final class PlanCommand extends Asked {
    private static final int OPENS_AT = 8;

    private static final long LONGEST = 4L << 20;

    @Parameters(paramLabel = "FACTS.json")
    private String name;

    record Questions(List<Question> questions) {}

    record Stop(boolean before, boolean during, boolean after) {}

    /** An operation as scripts see it. */
    record Step(
            String kind,
            String module,
            String title,
            boolean writes,
            boolean irreversible,
            List<String> reasons,
            List<String> needs,
            List<String> holdPoints,
            Stop safeToStop,
            String ifLeftHere,
            long expectedMs,
            List<String> prompts,
            List<String> cautions,
            String onlyIf) {
        Step(Operation operation, boolean safeBefore) {
            this(
                    operation.kind().key(),
                    operation.module(),
                    operation.title(),
                    operation.kind().writes(),
                    operation.holds().contains(HoldPoint.NO_WAY_BACK),
                    operation.reasons(),
                    operation.needs(),
                    operation.holds().stream().map(HoldPoint::key).toList(),
                    new Stop(
                            safeBefore,
                            operation.safeToStopDuring(),
                            operation.ifLeftHere().isEmpty()),
                    operation.ifLeftHere(),
                    operation.seconds() * 1000L,
                    operation.prompts(),
                    operation.cautions(),
                    operation.onlyIf());
        }
    }

    private record Decision(String rule, String outcome, String reason) {
        Decision(Plan.Decision decision) {
            this(
                    decision.rule(),
                    word(decision.judgement()),
                    decision.judgement().reason());
        }
    }

    private record Power(double startVolts, double holdVolts, double upperVolts) {
        Power(PowerWindow window) {
            this(window.start(), window.hold(), window.upper());
        }
    }

    private record Source(String source, String state, String reason, String missing) {
        Source(CodingSources.Ranked ranked) {
            this(ranked.source().key(), AskedJson.dashed(ranked.state()), ranked.reason(), ranked.missing());
        }
    }

    private record Law(
            String concern, String says, String from, Optional<String> until, String source, String sentence) {
        Law(MarketRules.Rule rule) {
            this(
                    rule.concern().key(),
                    AskedJson.dashed(rule.says()),
                    rule.from().toString(),
                    rule.until().map(LocalDate::toString),
                    rule.source(),
                    rule.sentence());
        }
    }

    private record Needed(
            String kind, String what, String state, long leadMs, Optional<Integer> price, String sentence) {
        Needed(Need need) {
            this(
                    need.kind().key(),
                    need.what(),
                    AskedJson.dashed(need.state()),
                    need.lead().toMillis(),
                    need.price(),
                    need.sentence());
        }
    }

    private record FaultTold(
            String module, String code, String title, boolean present, String outcome, String by, String sentence) {
        FaultTold(FaultOutlook outlook) {
            this(
                    outlook.fault().module(),
                    outlook.fault().code().text(),
                    outlook.title(),
                    outlook.fault().present(),
                    AskedJson.dashed(outlook.outcome()),
                    outlook.by(),
                    outlook.sentence());
        }
    }

    private record Ready(String from, String earliestStart, List<Needed> needs) {}

    private record Told(
            String kind,
            String pack,
            String vin,
            boolean blocked,
            List<String> blocks,
            long expectedMs,
            List<Step> operations,
            List<Decision> decisions,
            Map<String, String> wording,
            Power power,
            Optional<KeysTold> keys,
            Optional<List<Source>> codingSources,
            List<Law> law,
            List<FaultTold> faults,
            List<Beside.Odd> beside,
            Optional<List<WaysOn.Way>> waysOn,
            Optional<Ready> readiness) {}

    @Override
    public Integer call() throws IOException {
        JsonNode given = json(InputFile.path(name));
        FactsReader.Result read = FactsReader.read(given);
        if (read.facts().isEmpty()) return asked(read.questions());
        VehicleFacts facts = read.facts().get();
        Plan plan = Planner.plan(facts);
        output().result("plan", told(facts, plan, read.date(), notes(given)), text(plan));
        return plan.blocked() ? Main.FOUND : Main.GOOD;
    }

    static JsonNode json(Path file) throws IOException {
        JsonNode facts = InputFile.json(file, LONGEST);
        if (!facts.isObject()) throw new UsageException(file + ": an object is needed");
        return facts;
    }

    /** The physical reason that stands beside a fault in the facts. */
    private static BiFunction<String, String, Optional<String>> notes(JsonNode facts) {
        return (module, code) -> {
            for (JsonNode fault : facts.path("answers").path(module).path("faults"))
                if (fault.path("code").asString("").equalsIgnoreCase(code)
                        && !fault.path("note").asString("").isBlank())
                    return Optional.of(fault.path("note").asString("").strip());
            return Optional.empty();
        };
    }

    private int asked(List<Question> questions) {
        String text = questions.stream().map(Question::text).collect(Collectors.joining("\n"));
        output().result("plan", new Questions(questions), text);
        return Main.FOUND;
    }

    private static Told told(
            VehicleFacts facts,
            Plan plan,
            Optional<LocalDate> day,
            BiFunction<String, String, Optional<String>> notes) {
        return new Told(
                facts.kind().number(),
                facts.pack().id(),
                facts.vin().text(),
                plan.blocked(),
                plan.blocks(),
                plan.seconds() * 1000L,
                steps(plan),
                plan.decisions().stream().map(Decision::new).toList(),
                wording(facts),
                new Power(PowerNeed.of(facts.pack(), facts.policy(), plan.operations())),
                KeysTold.of(facts, plan),
                facts.module().filter(m -> facts.kind().replaces()).map(m -> sources(facts, m)),
                LawAllows.rules(facts).stream().map(Law::new).toList(),
                FaultOutlook.of(facts, plan, notes).stream().map(FaultTold::new).toList(),
                Beside.of(facts, plan.writes().map(Operation::module).toList()),
                waysOn(facts, plan),
                day.map(d -> ready(plan, facts, d)));
    }

    /** Asked for only when the function was tried in vain, or not at all. */
    private static Optional<List<WaysOn.Way>> waysOn(VehicleFacts facts, Plan plan) {
        return switch (facts.aids().said().proved()) {
            case DOES_NOT_WORK, NOT_TRIED -> Optional.of(WaysOn.of(facts, plan));
            case NOT_YET, WORKS -> Optional.empty();
        };
    }

    static List<Step> steps(Plan plan) {
        List<Step> all = new ArrayList<>();
        String left = "";
        for (Operation operation : plan.operations()) {
            all.add(new Step(operation, left.isEmpty()));
            left = operation.ifLeftHere();
        }
        return all;
    }

    private static String word(Judgement judgement) {
        return switch (judgement) {
            case Judgement.Applies applies -> "applies";
            case Judgement.Blocked blocked -> "blocked";
            case Judgement.NotNeeded notNeeded -> "not-needed";
        };
    }

    private static Map<String, String> wording(VehicleFacts facts) {
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        Map<String, String> out = new LinkedHashMap<>();
        for (ServiceWording.Meaning meaning : ServiceWording.Meaning.values())
            wording.evidence(meaning).ifPresent(sentence -> out.put(meaning.key(), sentence));
        return out;
    }

    private static List<Source> sources(VehicleFacts facts, PackModule module) {
        return CodingSources.rank(facts, module).stream().map(Source::new).toList();
    }

    /** With nothing at hand, asked for in the morning of that day; working days in UTC, so that it is the same everywhere. */
    private static Ready ready(Plan plan, VehicleFacts facts, LocalDate day) {
        Instant now = day.atTime(OPENS_AT, 0).toInstant(ZoneOffset.UTC);
        Readiness readiness = Readiness.of(plan, facts, AtHand.NOTHING, now, ZoneOffset.UTC);
        return new Ready(
                now.toString(),
                readiness.earliestStart().toString(),
                readiness.needs().stream().map(Needed::new).toList());
    }

    private static String text(Plan plan) {
        List<String> lines = new ArrayList<>();
        for (String block : plan.blocks()) lines.add("Blocked: " + block);
        int number = 1;
        for (Operation operation : plan.operations())
            lines.add(number++ + ". " + operation.title() + (operation.kind().writes() ? " (writes): " : ": ")
                    + (operation.conditional() ? "Only if " + operation.onlyIf() + ". " : "")
                    + String.join(" ", operation.reasons()));
        return String.join("\n", lines);
    }
}
