package codrane.app.policy;

import codrane.core.pack.MarketRules;
import codrane.core.plan.School;
import codrane.core.text.Words;
import java.util.List;
import java.util.Map;

/**
 * How the workshop decides, and what the law says.
 *
 * @param may whether this one keeps the answers
 */
record PolicyView(List<Question> questions, boolean may, Law law) {
    /** @param name of its field */
    record Question(String title, String name, List<Choice> choices) {}

    record Choice(String value, String title, boolean chosen) {}

    /** @param title with the market and the day of the comparison; says so when there is none */
    record Law(String title, List<Rule> rules) {}

    record Rule(String about, String says, String from, String until, String sentence, String source) {}

    static PolicyView of(List<School> schools, Map<School, String> answers, MarketRules law, boolean may) {
        return new PolicyView(
                schools.stream()
                        .map(s -> question(s, answers.getOrDefault(s, s.byDefault())))
                        .toList(),
                may,
                law(law));
    }

    private static Question question(School school, String answer) {
        return new Question(
                school.question(),
                school.key(),
                school.choices().entrySet().stream()
                        .map(c -> new Choice(
                                c.getKey(), capital(c.getValue()), c.getKey().equals(answer)))
                        .toList());
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static Law law(MarketRules law) {
        String title = law.market().isEmpty()
                ? "No market’s rules are at hand"
                : law.market() + ": what the law says, as compared on " + Words.day(law.checked());
        return new Law(title, law.rules().stream().map(PolicyView::rule).toList());
    }

    private static Rule rule(MarketRules.Rule rule) {
        return new Rule(
                rule.concern().key().replace('-', ' '),
                rule.says().words(),
                Words.day(rule.from()),
                rule.until().map(Words::day).orElse(""),
                rule.sentence(),
                rule.source());
    }
}
