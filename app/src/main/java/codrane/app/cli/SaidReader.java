package codrane.app.cli;

import codrane.core.pack.Pack;
import codrane.core.plan.Said;
import codrane.core.plan.Said.Proved;
import codrane.core.plan.Said.Whose;
import codrane.core.plan.Workplace;
import codrane.core.plan.Workplace.Worker;
import codrane.core.planner.PlanQuestions.Question;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** What people said, and what is at hand today, in the facts of a plan. */
final class SaidReader extends AskedJson {
    private static final int MOST_TOOLS = 9;

    SaidReader(JsonNode in, List<Question> questions) {
        super(in, questions);
    }

    Said said(Pack pack) {
        JsonNode said = object("said", Set.of("identity", "newerRight", "complaint", "file", "proved"));
        Map<String, Whose> identity = new LinkedHashMap<>();
        JsonNode whose = said.path("identity");
        for (String module : whose.propertyNames())
            if (known(pack, module, "said.identity"))
                constant(whose, module, "said.identity." + module, Whose.values())
                        .ifPresent(answer -> identity.put(module, answer));
        Set<String> right = new HashSet<>();
        for (String module : texts(said.path("newerRight")))
            if (known(pack, module, "said.newerRight")) right.add(module);
        String file = said.path("file").asString("").strip();
        return new Said(
                identity,
                right,
                said.path("complaint").asString("").strip(),
                file.isEmpty() ? Optional.empty() : Optional.of(file),
                constant(said, "proved", "said.proved", Proved.values()).orElse(Proved.NOT_YET));
    }

    private boolean known(Pack pack, String module, String at) {
        if (pack.modules().containsKey(module)) return true;
        notOne(at, module, List.copyOf(pack.modules().keySet()));
        return false;
    }

    Workplace workplace() {
        JsonNode place = object(
                "workplace",
                Set.of(
                        "batteryVolts",
                        "worker",
                        "sheetOf",
                        "programmedOn",
                        "otherTools",
                        "wireless",
                        "online",
                        "interfaceCelsius"));
        return new Workplace(
                number(place, "batteryVolts", 0, 20),
                worker(place),
                day(place, "sheetOf"),
                day(place, "programmedOn"),
                number(place, "otherTools", 0, MOST_TOOLS).map(Double::intValue).orElse(0),
                flag(place, "wireless"),
                flag(place, "online"),
                number(place, "interfaceCelsius", -50, 150));
    }

    private Optional<Worker> worker(JsonNode place) {
        if (!place.has("worker")) return Optional.empty();
        JsonNode worker = place.path("worker");
        members(worker, "workplace.worker.", Set.of("trainee", "licensed", "highVoltage"));
        return Optional.of(new Worker(
                flag(worker, "trainee").orElse(false),
                flag(worker, "licensed").orElse(false),
                flag(worker, "highVoltage").orElse(false)));
    }

    private Optional<Double> number(JsonNode from, String key, double least, double most) {
        if (!from.has(key)) return Optional.empty();
        JsonNode value = from.path(key);
        if (value.isNumber() && value.asDouble() >= least && value.asDouble() <= most)
            return Optional.of(value.asDouble());
        ask(
                "not-understood",
                "workplace." + key,
                "What is \"" + key + "\": a number from " + least + " to " + most + "?");
        return Optional.empty();
    }

    private Optional<Boolean> flag(JsonNode from, String key) {
        if (!from.has(key)) return Optional.empty();
        if (from.path(key).isBoolean()) return Optional.of(from.path(key).asBoolean());
        ask("not-understood", "workplace." + key, "Is it so that \"" + key + "\": true or false?");
        return Optional.empty();
    }

    private Optional<LocalDate> day(JsonNode from, String key) {
        if (!from.has(key)) return Optional.empty();
        try {
            return Optional.of(LocalDate.parse(from.path(key).asString("")));
        } catch (DateTimeParseException e) {
            ask("which-day", "workplace." + key, "Which day is \"" + key + "\", like 2026-11-26?");
            return Optional.empty();
        }
    }
}
