package codrane.core.job.act;

import codrane.core.job.JobState;
import java.util.List;
import java.util.Optional;

/**
 * An act that people ask for. What may stop it is asked when a page offers it, and again when the act arrives: what no page
 * offers, no request can do.
 *
 * @param name of its address, with slashes where it has parts
 * @param said in words that follow a person's name: "noted the arrival"
 * @param rules what may stop it, in this order
 */
public record Ask(String name, String said, List<StopRule> rules) {
    public Ask {
        rules = List.copyOf(rules);
    }

    public static Ask of(String name, String said, StopRule... rules) {
        return new Ask(name, said, List.of(rules));
    }

    /** The first thing that stops it. */
    public Optional<Stop> stop(JobState state) {
        return rules.stream().flatMap(rule -> rule.judge(state).stream()).findFirst();
    }
}
