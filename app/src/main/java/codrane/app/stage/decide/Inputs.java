package codrane.app.stage.decide;

import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What people say for the plan.
 *
 * @param questions to be answered first; none when the panel below asks the same
 * @param features from which some are taken; none for other work, or when the pack knows none
 */
public record Inputs(
        List<Question> questions,
        Optional<Catalogue> features,
        Optional<OrderShelf> order,
        Optional<Choices> settings) {
    /** Equipment, when the job is about that: else it only may come with it. */
    public Optional<Catalogue> equipment() {
        return features.filter(
                f -> settings.filter(s -> s.about() == JobKind.About.FEATURE).isPresent());
    }

    /** What may come with the job's own work; none when the job is about single settings. */
    public boolean also() {
        return settings.filter(s -> s.about() != JobKind.About.SETTINGS).isPresent();
    }

    /** Equipment that may come with the job's own work. */
    public Optional<Catalogue> alsoEquipment() {
        return equipment().isEmpty() ? features : Optional.empty();
    }

    /** What comes with it, in words; empty when nothing does. */
    public String alsoWords() {
        Stream<String> equipment =
                alsoEquipment().stream().flatMap(all -> all.chosen().stream()).map(Catalogue.Item::title);
        Stream<String> chosen =
                settings.stream().flatMap(s -> s.chosen().stream()).map(c -> c.title() + ", " + c.change());
        return Stream.concat(equipment, chosen).collect(Collectors.joining("; "));
    }

    /** What a panel of its own asks. */
    private static final Set<String> ASKED_BELOW = Set.of("settings", "feature", "order");

    private static final Set<String> NOTED_AT_INTAKE = Set.of("keys", "part.old", "part.state", "vin");

    /**
     * @param origins from which one is chosen at once; none for another question
     * @param atIntake whether it is answered there
     * @param right whether it can be said to be right as it is
     */
    public record Question(String text, List<Option> origins, boolean atIntake, boolean right) {}

    public record Option(String value, String title, boolean chosen) {}

    static Inputs of(JobState state, Scan scan, VehicleFacts facts) {
        return new Inputs(
                questions(PlanQuestions.of(facts)),
                features(state, scan),
                state.job().kind().about() == JobKind.About.ORDER
                        ? state.pack().equipment().order().map(o -> OrderShelf.of(state, facts, o))
                        : Optional.empty(),
                Choices.of(state, scan));
    }

    private static List<Question> questions(List<PlanQuestions.Question> asked) {
        boolean below =
                asked.size() == 1 && ASKED_BELOW.contains(asked.getFirst().fact());
        if (below) return List.of();
        return asked.stream()
                .map(q -> new Question(
                        q.text(),
                        q.fact().equals("part.origin") ? origins() : List.of(),
                        NOTED_AT_INTAKE.contains(q.fact()),
                        q.fact().equals("said.newerRight")))
                .toList();
    }

    private static List<Option> origins() {
        return Arrays.stream(PartOrigin.values())
                .map(o -> new Option(
                        o.name(),
                        Character.toUpperCase(o.words().charAt(0)) + o.words().substring(1),
                        false))
                .toList();
    }

    private static Optional<Catalogue> features(JobState state, Scan scan) {
        JobKind kind = state.job().kind();
        if (kind.onlyLooks() || kind.about() == JobKind.About.SETTINGS) return Optional.empty();
        return Optional.of(Catalogue.of(state, scan)).filter(c -> !c.items().isEmpty());
    }
}
