package codrane.app.cli;

import codrane.core.planner.PlanQuestions.Question;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** Reads members of an object; what is not understood becomes a question instead of an error. */
abstract class AskedJson {
    final JsonNode in;
    final List<Question> questions;

    AskedJson(JsonNode in) {
        this(in, new ArrayList<>());
    }

    /** A part of what is read, which asks with the rest. */
    AskedJson(JsonNode in, List<Question> questions) {
        this.in = in;
        this.questions = questions;
    }

    void ask(String id, String fact, String text) {
        questions.add(new Question(id, fact, text));
    }

    String text(String key) {
        return in.path(key).asString("").strip();
    }

    static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        for (JsonNode item : list) texts.add(item.asString(""));
        return texts;
    }

    /** An object of which nothing is unknown; empty when it is not there. */
    JsonNode object(String key, Set<String> known) {
        JsonNode object = in.path(key);
        if (object.isMissingNode()) return object;
        if (!object.isObject()) {
            ask("not-understood", key, "What is \"" + key + "\": an object with " + String.join(", ", known) + "?");
            return in.path("missing on purpose");
        }
        members(object, key + ".", known);
        return object;
    }

    void members(JsonNode object, String at, Set<String> known) {
        for (String name : object.propertyNames())
            if (!known.contains(name))
                ask(
                        "not-understood",
                        at + name,
                        "What is \"" + name + "\"? Known here: "
                                + String.join(", ", known.stream().sorted().toList()) + ". Which is meant?");
    }

    Optional<String> choice(JsonNode from, String key, String at, List<String> choices) {
        if (!from.has(key)) return Optional.empty();
        String text = from.path(key).asString("");
        if (choices.contains(text)) return Optional.of(text);
        notOne(at, text, choices);
        return Optional.empty();
    }

    <E extends Enum<E>> Optional<E> constant(JsonNode from, String key, String at, E[] constants) {
        if (!from.has(key)) return Optional.empty();
        String text = from.path(key).asString("");
        Optional<E> constant = find(constants, text);
        if (constant.isEmpty()) notOne(at, text, names(constants));
        return constant;
    }

    void notOne(String at, String text, List<String> choices) {
        ask("not-understood", at, "\"" + text + "\" is none of " + String.join(", ", choices) + ": which is it?");
    }

    static <E extends Enum<E>> Optional<E> find(E[] constants, String key) {
        return Arrays.stream(constants).filter(c -> dashed(c).equals(key)).findFirst();
    }

    static List<String> names(Enum<?>[] constants) {
        return Arrays.stream(constants).map(FactsReader::dashed).toList();
    }

    static String dashed(Enum<?> constant) {
        return Output.dashed(constant);
    }
}
