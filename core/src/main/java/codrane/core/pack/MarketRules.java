package codrane.core.pack;

import codrane.core.text.Words;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a market's law says about kinds of work. Rules change: each has its dates and its source.
 *
 * @param market name for people; empty when no rules are at hand
 * @param checked when somebody last compared it with the law
 * @param on the day for which is judged; empty: the newest rule counts
 */
public record MarketRules(String market, LocalDate checked, List<Rule> rules, Optional<LocalDate> on) {
    public static final MarketRules NONE = new MarketRules("", LocalDate.EPOCH, List.of(), Optional.empty());

    /** What a rule says. */
    public enum Says {
        FREE("nothing to heed"),
        NOTE("a note goes to the customer"),
        APPROVAL("the lead approves it first"),
        REFUSED("it is not done");

        private final String words;

        Says(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param from first day
     * @param until last day; empty while it holds
     * @param source where it stands
     */
    public record Rule(
            Concern concern, Says says, LocalDate from, Optional<LocalDate> until, String source, String sentence) {
        boolean holds(LocalDate day) {
            return !day.isBefore(from) && until.map(u -> !day.isAfter(u)).orElse(true);
        }

        /** With its source and since when it holds. */
        public String cited() {
            return sentence + " (" + source + ", since " + Words.day(from) + ")";
        }
    }

    /** What became of the text. */
    public sealed interface Result {
        record Loaded(MarketRules rules) implements Result {}

        record Invalid(List<PackProblem> problems) implements Result {}
    }

    public MarketRules {
        rules = List.copyOf(rules);
    }

    public MarketRules on(LocalDate day) {
        return new MarketRules(market, checked, rules, Optional.of(day));
    }

    /** The rule about a concern: the newest that holds on the day. */
    public Optional<Rule> about(Concern concern) {
        return rules.stream()
                .filter(r -> r.concern() == concern)
                .filter(r -> on.map(r::holds).orElse(true))
                .max(Comparator.comparing(Rule::from));
    }

    /** @param file name shown in problems */
    public static Result load(String file, String yaml) {
        YamlMap.Problems problems = new YamlMap.Problems(file);
        try {
            MarketRules rules = read(new YamlMap(YamlText.root(file, yaml), "", problems));
            return problems.found().isEmpty() ? new Result.Loaded(rules) : new Result.Invalid(problems.found());
        } catch (YamlText.Unreadable e) {
            return new Result.Invalid(List.of(e.problem()));
        }
    }

    private static MarketRules read(YamlMap in) {
        List<Rule> rules = new ArrayList<>();
        for (YamlMap entry : in.maps("rules")) {
            rules.add(new Rule(
                    entry.constant("concern", Concern.values()),
                    entry.constant("says", Says.values()),
                    date(entry, "from"),
                    entry.has("until") ? Optional.of(date(entry, "until")) : Optional.empty(),
                    entry.text("source"),
                    entry.text("sentence")));
            entry.end();
        }
        MarketRules all = new MarketRules(in.text("market"), date(in, "checked"), rules, Optional.empty());
        in.end();
        return all;
    }

    private static LocalDate date(YamlMap in, String key) {
        String text = in.text(key);
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            if (!text.isEmpty()) in.problem(key, "is " + text + " (expected a date like 2026-05-01)");
            return LocalDate.EPOCH;
        }
    }
}
