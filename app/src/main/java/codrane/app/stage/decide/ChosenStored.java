package codrane.app.stage.decide;

import codrane.app.notes.NoteKind;
import codrane.core.baseline.PutBack;
import java.util.List;
import java.util.Optional;

/**
 * Settings that a person chose to write, as they are stored.
 *
 * @param baseline from which they were lost; 0 for settings that are changed by name
 */
record ChosenStored(long baseline, List<Setting> settings) {
    static final NoteKind<ChosenStored> KIND = NoteKind.first("chosen", ChosenStored.class);

    record Setting(String module, String layout, String field, String value, String found) {}

    static ChosenStored of(long baseline, List<PutBack> settings) {
        return new ChosenStored(
                baseline,
                settings.stream()
                        .map(s -> new Setting(s.module(), s.layout(), s.field(), s.value(), s.found()))
                        .toList());
    }

    /** The baseline with which the vehicle is compared. */
    Optional<Long> compared() {
        return baseline > 0 ? Optional.of(baseline) : Optional.empty();
    }

    List<PutBack> chosen() {
        return settings.stream()
                .map(s -> new PutBack(s.module(), s.layout(), s.field(), s.value(), s.found()))
                .toList();
    }
}
