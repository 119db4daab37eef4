package codrane.app.sound;

import codrane.app.job.Viewer;
import codrane.app.notes.Note;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
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
 * @param tooShort names of those that do not reach over the band
 */
public record SoundView(
        long number,
        String band,
        String sentence,
        String advice,
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

    static SoundView of(JobState state, List<Note.Read<ResponseStored>> measured, Band band, Viewer viewer) {
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

    private static String held(JobState state) {
        Optional<Scan> scan = state.after().or(state::before);
        return scan.stream()
                .flatMap(s -> state.pack().layouts().values().stream()
                        .filter(l -> l.field("variant").isPresent())
                        .flatMap(l -> PlanFacts.value(state, s, l.id(), "variant").stream()))
                .findFirst()
                .orElse("");
    }
}
