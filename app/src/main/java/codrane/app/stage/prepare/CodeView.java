package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.ready.Need;
import codrane.core.text.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A code that the plan needs.
 *
 * @param kept when and by whom it was typed; empty while it is not here
 * @param form what it looks like, in words
 * @param type whether this one may type it
 * @param show whether this one may look at it, with a reason
 */
public record CodeView(String key, String title, String kept, String form, boolean type, boolean show) {
    static List<CodeView> of(JobState state, Viewer viewer) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .map(Need::kind)
                .filter(Need.Kind::secret)
                .map(kind -> of(state, kind, viewer))
                .toList();
    }

    private static CodeView of(JobState state, Need.Kind kind, Viewer viewer) {
        long number = state.job().number();
        int digits = CodeActs.digits(state, kind);
        Optional<String> kept = Optional.ofNullable(state.prepared().codes().get(kind))
                .map(code -> "kept encrypted, typed by " + code.who() + " at "
                        + Words.clock(code.at(), state.now().zone())
                        + (state.prepared().codesHere(state.now()).contains(kind)
                                ? "."
                                : ": of another day, it is not sent."));
        return new CodeView(
                kind.key(),
                kind.title(),
                kept.orElse(""),
                digits == 0 ? "digits" : Words.count(digits, "digit"),
                viewer.may(number, "codes") && !state.runHolds(),
                kept.isPresent() && viewer.may(number, "codes/shown"));
    }

    /** In a sentence. */
    public String lower() {
        return title.toLowerCase(Locale.ROOT);
    }

    /** Whether the maker's service sells it. */
    public boolean sold() {
        return key.equals(Need.Kind.DAILY_CODE.key());
    }
}
