package codrane.core.plan;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Judgement calls on which practitioners differ, each with its answers; the first is Codrane's own. */
public enum School {
    NEIGHBOURS("Update the neighbours too?", "leave-alone", "level-set"),
    PART("Does the part fit?", "by-list", "parts-desk-agreed"),
    SOFTWARE("Program the part, or only code it?", "as-found", "program", "code-only"),
    CODING_SOURCE(
            "Where does the coding come from?",
            "surest",
            "old-module",
            "line-sheet",
            "vehicle-order",
            "neighbour",
            "reference"),
    CODING_LINK("Coding by cable or wireless?", "wired", "wireless"),
    PROGRAMMING_LINK("Programming by cable or wireless?", "wired", "wireless"),
    CODING_VOLTAGE("How much voltage for coding?", "start-only", "held"),
    PROGRAMMING_VOLTAGE("How much voltage for programming?", "by-module", "demanding"),
    LONG_READ("Long reads: support unit, or engine running?", "support-unit", "engine-running");

    private final String question;
    private final String answers;

    School(String question, String... answers) {
        this.question = question;
        this.answers = String.join(" ", answers);
    }

    public String question() {
        return question;
    }

    /** Keys of the answers. */
    public List<String> answers() {
        return List.of(answers.split(" "));
    }

    public String byDefault() {
        return answers().getFirst();
    }

    /** As in facts and forms: lower case with dashes. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<School> of(String key) {
        return Arrays.stream(values()).filter(s -> s.key().equals(key)).findFirst();
    }
}
