package codrane.app.cli;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.ModuleAnswer;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** What modules answered, in the facts of a plan. */
final class AnswersReader extends AskedJson {
    AnswersReader(JsonNode in, List<Question> questions) {
        super(in, questions);
    }

    Map<String, ModuleAnswer> answers(Pack pack) {
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
        members(in, at + ".", Set.of("presence", "vin", "software", "coding", "faults", "counter"));
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
                faults(module, in.path("faults"), at),
                counter(in, at));
    }

    private Optional<Integer> counter(JsonNode in, String at) {
        if (!in.has("counter")) return Optional.empty();
        JsonNode counter = in.path("counter");
        if (counter.isIntegralNumber() && counter.asInt(-1) >= 0) return Optional.of(counter.asInt());
        ask("not-understood", at + ".counter", "How often was it programmed, by its counter: a number from 0?");
        return Optional.empty();
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
}
