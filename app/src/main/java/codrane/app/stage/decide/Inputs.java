package codrane.app.stage.decide;

import codrane.core.job.DecideNotes;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.pack.Feature;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.PlanQuestions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What people say for the plan.
 *
 * @param questions to be answered first; none when the panel below asks the same
 * @param features from which one is taken; none for other work
 */
public record Inputs(
        List<Question> questions, List<Option> features, Optional<Order> order, Optional<Choices> settings) {
    /** Equipment, when the job is about that: else it only may come with it. */
    public List<Option> equipment() {
        return settings.filter(s -> s.about() == JobKind.About.FEATURE).isPresent() ? features : List.of();
    }

    /** What may come with the job's own work; none when the job is about single settings. */
    public boolean also() {
        return settings.filter(s -> s.about() != JobKind.About.SETTINGS).isPresent();
    }

    /** Equipment that may come with the job's own work. */
    public List<Option> alsoEquipment() {
        return equipment().isEmpty() ? features : List.of();
    }

    /** What comes with it, in words; empty when nothing does. */
    public String alsoWords() {
        Stream<String> equipment =
                alsoEquipment().stream().filter(Option::chosen).map(Option::title);
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

    /**
     * The vehicle order, with what goes out and what comes in.
     *
     * @param words what was chosen; empty when nothing was
     */
    public record Order(String read, String words, List<Option> out, List<Option> in) {}

    static Inputs of(JobState state, Scan scan, VehicleFacts facts) {
        return new Inputs(
                questions(PlanQuestions.of(facts)),
                features(state),
                state.job().kind().about() == JobKind.About.ORDER
                        ? state.pack().equipment().order().map(o -> order(state, o.titles()))
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

    private static List<Option> features(JobState state) {
        JobKind kind = state.job().kind();
        if (kind.onlyLooks() || kind.about() == JobKind.About.SETTINGS) return List.of();
        return state.pack().equipment().features().stream()
                .filter(f -> !f.on().isEmpty())
                .map(f -> option(f, state.decided().notes()))
                .toList();
    }

    private static Option option(Feature feature, DecideNotes notes) {
        return new Option(feature.id(), feature.title(), feature.id().equals(notes.feature()));
    }

    private static Order order(JobState state, Map<String, String> titles) {
        List<String> now = state.baselined().orderNow();
        DecideNotes notes = state.decided().notes();
        List<Option> out = new ArrayList<>();
        List<Option> in = new ArrayList<>();
        titles.forEach((code, title) -> {
            if (now.isEmpty() || now.contains(code))
                out.add(new Option(code, title, notes.codesOut().contains(code)));
            if (!now.contains(code))
                in.add(new Option(code, title, notes.codesIn().contains(code)));
        });
        String read = now.isEmpty()
                ? "The order was not read: store a baseline first."
                : "Read from the vehicle: " + String.join(", ", now) + ".";
        return new Order(read, words(notes), out, in);
    }

    private static String words(DecideNotes notes) {
        return Stream.concat(
                        notes.codesOut().stream().map(code -> code + " out"),
                        notes.codesIn().stream().map(code -> code + " in"))
                .collect(Collectors.joining(", "));
    }
}
