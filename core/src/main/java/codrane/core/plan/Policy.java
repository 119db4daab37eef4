package codrane.core.plan;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The workshop's answers to judgement calls, and what was overruled for one job.
 *
 * @param answers those that differ from Codrane's own
 * @param overrules of this job
 */
public record Policy(Map<School, String> answers, List<Overrule> overrules) {
    public static final Policy DEFAULT = new Policy(Map.of(), List.of());

    /**
     * @param reason why, in a few words; never blank
     * @param by who overruled; may be empty
     * @param about part number for which it was said; empty when for the job's own
     */
    public record Overrule(School school, String answer, String reason, String by, String about) {
        /** For whatever the job is about. */
        public Overrule(School school, String answer, String reason, String by) {
            this(school, answer, reason, by, "");
        }

        public Overrule {
            if (!school.answers().contains(answer))
                throw new IllegalArgumentException(
                        school.key() + ": " + answer + " (expected one of " + school.answers() + ")");
            if (reason.isBlank()) throw new IllegalArgumentException(school.key() + ": an overrule needs a reason");
        }

        /** For the end of a sentence. */
        public String words() {
            return "Overruled" + (by.isEmpty() ? "" : " by " + by) + ": " + reason + (reason.endsWith(".") ? "" : ".");
        }
    }

    public Policy {
        Map<School, String> own = new EnumMap<>(School.class);
        answers.forEach((school, answer) -> {
            if (!school.answers().contains(answer))
                throw new IllegalArgumentException(
                        school.key() + ": " + answer + " (expected one of " + school.answers() + ")");
            own.put(school, answer);
        });
        answers = Map.copyOf(own);
        overrules = List.copyOf(overrules);
    }

    /** What holds for this job: the overrule, else the workshop's answer, else Codrane's. */
    public String answer(School school) {
        if (school.ofOneJob()) return overrule(school).map(Overrule::answer).orElse(school.byDefault());
        return overrule(school).map(Overrule::answer).orElseGet(() -> answers.getOrDefault(school, school.byDefault()));
    }

    public boolean is(School school, String answer) {
        return answer(school).equals(answer);
    }

    public Optional<Overrule> overrule(School school) {
        return overrules.stream().filter(o -> o.school() == school).reduce((first, last) -> last);
    }

    /** Who says so, for the end of a reason. */
    public String source(School school) {
        return overrule(school)
                .map(Overrule::words)
                .orElseGet(() -> !school.ofOneJob() && answers.containsKey(school)
                        ? "Workshop policy."
                        : "Codrane's own choice.");
    }
}
