package codrane.core.plan;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Judgement calls on which practitioners differ, each with its answers; the first is Codrane's own. */
public enum School {
    NEIGHBOURS(
            "Update the neighbours too?",
            "leave-alone=leave them alone, each write is a risk",
            "level-set=level-set: bring older ones up with it"),
    PART("Does the part fit?", "by-list=by the maker's lists", "parts-desk-agreed=the parts desk agreed to it"),
    SOFTWARE(
            "Program the part, or only code it?",
            "as-found=by what was found and what the maker says",
            "program=program it",
            "code-only=code it only"),
    CODING_SOURCE(
            "Where does the coding come from?",
            "surest=the surest source there is",
            "old-module=the old module",
            "line-sheet=the line sheet",
            "vehicle-order=the vehicle order",
            "neighbour=a neighbouring module",
            "reference=a vehicle of the same model"),
    CODING_LINK("Coding by cable or wireless?", "wired=by cable", "wireless=wireless is enough"),
    PROGRAMMING_LINK("Programming by cable or wireless?", "wired=by cable", "wireless=wireless is enough"),
    CODING_VOLTAGE(
            "How much voltage for coding?",
            "start-only=a modest one at the start, need not be held exactly",
            "held=as for programming, held all the time"),
    PROGRAMMING_VOLTAGE(
            "How much voltage for programming?",
            "by-module=by the module",
            "demanding=the higher one for every module"),
    LONG_READ(
            "Long reads: support unit, or engine running?",
            "support-unit=support unit on",
            "engine-running=engine running, outdoors or with extraction");

    private final String question;
    private final String answers;

    /** @param answers each as key, equals sign, words */
    School(String question, String... answers) {
        this.question = question;
        this.answers = String.join("|", answers);
    }

    /** Whether it is answered for one job and one part, and never by the workshop for all. */
    public boolean ofOneJob() {
        return this == PART;
    }

    public String question() {
        return question;
    }

    /** Keys of the answers. */
    public List<String> answers() {
        return List.copyOf(choices().keySet());
    }

    /** Answers in words, by key. */
    public Map<String, String> choices() {
        Map<String, String> choices = new LinkedHashMap<>();
        for (String answer : answers.split("\\|")) {
            int at = answer.indexOf('=');
            choices.put(answer.substring(0, at), answer.substring(at + 1));
        }
        return choices;
    }

    public String byDefault() {
        return answers.substring(0, answers.indexOf('='));
    }

    /** As in facts and forms: lower case with dashes. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<School> of(String key) {
        return Arrays.stream(values()).filter(s -> s.key().equals(key)).findFirst();
    }
}
