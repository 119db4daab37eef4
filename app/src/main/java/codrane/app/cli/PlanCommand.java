package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.CodingSources;
import codrane.core.planner.LawAllows;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.planner.Planner;
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
import tools.jackson.databind.JsonNode;

/** {@code plan FACTS.json [--json]}: a plan from facts, or the questions that must be answered first. */
final class PlanCommand {
    private static final int OPENS_AT = 8;

    private static final long LONGEST = 4L << 20;

    private PlanCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        Path file = InputFile.path(arguments.onlyWord("FACTS.json"));
        arguments.end();
        FactsReader.Result read = FactsReader.read(json(file));
        Map<String, Object> object = Output.object("plan");
        if (read.facts().isEmpty()) {
            object.put(
                    "questions",
                    read.questions().stream().map(PlanCommand::question).toList());
            output.result(
                    object,
                    String.join(
                            "\n", read.questions().stream().map(Question::text).toList()));
            return Main.FOUND;
        }
        VehicleFacts facts = read.facts().get();
        Plan plan = Planner.plan(facts);
        object.put("kind", facts.kind().number());
        object.put("pack", facts.pack().id());
        object.put("vin", facts.vin().text());
        object.put("blocked", plan.blocked());
        object.put("blocks", plan.blocks());
        object.put("expectedMs", plan.seconds() * 1000L);
        object.put("operations", operations(plan));
        object.put(
                "decisions",
                plan.decisions().stream().map(PlanCommand::decision).toList());
        object.put("wording", wording(facts));
        object.put("power", power(PowerNeed.of(facts.pack(), facts.policy(), plan.operations())));
        facts.module()
                .filter(m -> facts.kind().replaces())
                .ifPresent(m -> object.put(
                        "codingSources",
                        CodingSources.rank(facts, m).stream()
                                .map(PlanCommand::source)
                                .toList()));
        object.put("law", LawAllows.rules(facts).stream().map(PlanCommand::law).toList());
        read.date().ifPresent(day -> object.put("readiness", readiness(plan, facts, day)));
        output.result(object, text(plan));
        return plan.blocked() ? Main.FOUND : Main.GOOD;
    }

    private static JsonNode json(Path file) throws IOException {
        JsonNode facts = InputFile.json(file, LONGEST);
        if (!facts.isObject()) throw new UsageException(file + ": an object is needed");
        return facts;
    }

    private static Map<String, Object> question(Question question) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("id", question.id());
        out.put("fact", question.fact());
        out.put("text", question.text());
        return out;
    }

    private static List<Map<String, Object>> operations(Plan plan) {
        List<Map<String, Object>> all = new ArrayList<>();
        String left = "";
        for (Operation operation : plan.operations()) {
            all.add(operation(operation, left.isEmpty()));
            left = operation.ifLeftHere();
        }
        return all;
    }

    private static Map<String, Object> operation(Operation operation, boolean safeBefore) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("kind", operation.kind().key());
        out.put("module", operation.module());
        out.put("title", operation.title());
        out.put("writes", operation.kind().writes());
        out.put("irreversible", operation.holds().contains(HoldPoint.NO_WAY_BACK));
        out.put("reasons", operation.reasons());
        out.put("needs", operation.needs());
        out.put("holdPoints", operation.holds().stream().map(HoldPoint::key).toList());
        Map<String, Object> stop = new LinkedHashMap<>();
        stop.put("before", safeBefore);
        stop.put("during", operation.safeToStopDuring());
        stop.put("after", operation.ifLeftHere().isEmpty());
        out.put("safeToStop", stop);
        out.put("ifLeftHere", operation.ifLeftHere());
        out.put("expectedMs", operation.seconds() * 1000L);
        out.put("prompts", operation.prompts());
        out.put("cautions", operation.cautions());
        return out;
    }

    private static Map<String, Object> decision(Plan.Decision decision) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("rule", decision.rule());
        out.put(
                "outcome",
                switch (decision.judgement()) {
                    case Judgement.Applies applies -> "applies";
                    case Judgement.Blocked blocked -> "blocked";
                    case Judgement.NotNeeded notNeeded -> "not-needed";
                });
        out.put("reason", decision.judgement().reason());
        return out;
    }

    private static Map<String, Object> wording(VehicleFacts facts) {
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        Map<String, Object> out = new LinkedHashMap<>();
        for (ServiceWording.Meaning meaning : ServiceWording.Meaning.values())
            wording.evidence(meaning).ifPresent(sentence -> out.put(meaning.key(), sentence));
        return out;
    }

    private static Map<String, Object> power(PowerWindow window) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("startVolts", window.start());
        out.put("holdVolts", window.hold());
        out.put("upperVolts", window.upper());
        return out;
    }

    private static Map<String, Object> source(CodingSources.Ranked ranked) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("source", ranked.source().key());
        out.put("state", FactsReader.dashed(ranked.state()));
        out.put("reason", ranked.reason());
        out.put("missing", ranked.missing());
        return out;
    }

    private static Map<String, Object> law(codrane.core.pack.MarketRules.Rule rule) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("concern", rule.concern().key());
        out.put("says", FactsReader.dashed(rule.says()));
        out.put("from", rule.from().toString());
        rule.until().ifPresent(until -> out.put("until", until.toString()));
        out.put("source", rule.source());
        out.put("sentence", rule.sentence());
        return out;
    }

    /** With nothing at hand, asked for in the morning of that day; working days in UTC, so that it is the same everywhere. */
    private static Map<String, Object> readiness(Plan plan, VehicleFacts facts, LocalDate day) {
        Instant now = day.atTime(OPENS_AT, 0).toInstant(ZoneOffset.UTC);
        Readiness readiness = Readiness.of(plan, facts, AtHand.NOTHING, now, ZoneOffset.UTC);
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("from", now.toString());
        out.put("earliestStart", readiness.earliestStart().toString());
        out.put("needs", readiness.needs().stream().map(PlanCommand::need).toList());
        return out;
    }

    private static Map<String, Object> need(Need need) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("kind", need.kind().key());
        out.put("what", need.what());
        out.put("state", FactsReader.dashed(need.state()));
        out.put("leadMs", need.lead().toMillis());
        Optional<Integer> price = need.price();
        price.ifPresent(p -> out.put("price", p));
        out.put("sentence", need.sentence());
        return out;
    }

    private static String text(Plan plan) {
        List<String> lines = new ArrayList<>();
        for (String block : plan.blocks()) lines.add("Blocked: " + block);
        int number = 1;
        for (Operation operation : plan.operations())
            lines.add(number++ + ". " + operation.title() + (operation.kind().writes() ? " (writes): " : ": ")
                    + String.join(" ", operation.reasons()));
        return String.join("\n", lines);
    }
}
