package codrane.app.sound;

import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.core.job.JobState;
import codrane.core.job.PlanBasis;
import codrane.core.job.PlanFacts;
import codrane.core.plan.JobKind;
import codrane.core.response.FrequencyResponse;
import codrane.core.response.FrequencyResponse.Band;
import codrane.core.response.Ranking;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Measured responses of a job, the flattest first.
 *
 * @param advice when something flatter was heard than what the vehicle holds, as a sentence; else empty
 * @param held the sound variant that the vehicle held when it was last read; empty when it was not
 * @param better what was heard flatter, to be chosen with a press
 * @param tooShort names of those that do not reach over the band
 */
public record SoundView(
        long number,
        String band,
        String sentence,
        String advice,
        Seller seller,
        Optional<Better> better,
        List<Row> rows,
        List<String> tooShort,
        Optional<SoundPicture> picture,
        String held,
        boolean may) {
    /**
     * @param line number of its line in the picture
     * @param flatness in words
     */
    public record Row(String name, int line, String flatness, String how, String at, String who) {}

    /**
     * @param advises a variant; empty when nothing
     * @param sentence what the microphone says of it
     */
    public record Seller(String advises, List<String> variants, String sentence) {}

    /** @param act in words */
    public record Better(String setting, String value, String act) {}

    /** What is known of how it sounds. */
    record Heard(List<Note.Read<ResponseStored>> measured, String seller) {}

    static SoundView of(JobState state, Heard heard, Band band, Viewer viewer) {
        List<Note.Read<ResponseStored>> measured = heard.measured();
        Map<String, FrequencyResponse> responses = new LinkedHashMap<>();
        Map<String, Note.Read<ResponseStored>> by = new LinkedHashMap<>();
        for (Note.Read<ResponseStored> one : measured) {
            responses.put(one.subject(), one.content().response());
            by.put(one.subject(), one);
        }
        Ranking ranking = Ranking.of(responses, band);
        List<Row> rows = ranking.places().stream()
                .map(p ->
                        row(state, p, ranking.places().indexOf(p), java.util.Objects.requireNonNull(by.get(p.name()))))
                .toList();
        return new SoundView(
                state.job().number(),
                band.key(),
                ranking.sentence(),
                advice(ranking, held(state)),
                new Seller(
                        heard.seller(),
                        SoundVariant.of(state.pack()).map(SoundVariant::values).orElse(List.of()),
                        heard.seller().isEmpty() ? "" : ranking.judged(heard.seller())),
                viewer.may(state.job().number(), "decide/setting") ? better(state, ranking) : Optional.empty(),
                rows,
                ranking.tooShort(),
                ranking.places().isEmpty() ? Optional.empty() : Optional.of(SoundPicture.of(ranking)),
                held(state),
                state.job().kind() == JobKind.CHOOSE_VARIANT
                        && viewer.may(state.job().number(), "sound"));
    }

    private static String advice(Ranking ranking, String held) {
        boolean heard = ranking.places().stream().anyMatch(p -> p.name().equals(held));
        boolean best = !ranking.places().isEmpty()
                && ranking.places().getFirst().name().equals(held);
        return !heard || best || !ranking.audible()
                ? ""
                : "The vehicle holds “" + held + "”, and “"
                        + ranking.places().getFirst().name()
                        + "” was heard flatter.";
    }

    private static Row row(JobState state, Ranking.Place place, int line, Note.Read<ResponseStored> note) {
        return new Row(
                place.name(),
                line,
                String.format(java.util.Locale.ROOT, "%.1f dB", place.flatness()),
                note.content().how(),
                state.now().dayAndTime(note.at()),
                note.who());
    }

    /** Empty when what the vehicle holds was not heard, or nothing that it can hold was heard flatter. */
    private static Optional<Better> better(JobState state, Ranking ranking) {
        if (advice(ranking, held(state)).isEmpty()) return Optional.empty();
        String first = ranking.places().getFirst().name();
        return SoundVariant.of(state.pack())
                .flatMap(variant -> variant.values().stream()
                        .filter(first::equalsIgnoreCase)
                        .filter(value -> state.putBack().stream()
                                .noneMatch(p -> p.key().equals(variant.key())
                                        && p.value().equals(value)))
                        .map(value -> new Better(
                                variant.key(),
                                value,
                                state.run().isPresent()
                                                && before(state, variant).equals(Optional.of(value))
                                        ? "Put “" + value + "” back"
                                        : "Choose “" + value + "”"))
                        .findFirst());
    }

    private static Optional<String> before(JobState state, SoundVariant variant) {
        return state.before().flatMap(s -> PlanFacts.value(state, s, variant.layout(), variant.field()));
    }

    private static String held(JobState state) {
        return PlanBasis.newest(state) // what a run wrote is not held before it was read
                .flatMap(s ->
                        SoundVariant.of(state.pack()).flatMap(v -> PlanFacts.value(state, s, v.layout(), v.field())))
                .orElse("");
    }
}
