package codrane.app.stage.prepare;

import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import codrane.core.pack.PackModule;
import codrane.core.ready.Need;
import java.util.List;
import java.util.Map;

/**
 * What an old part had learned, to be typed.
 *
 * @param state whether all of it is here, in words
 */
public record LearnedView(String module, String title, boolean here, String state, List<Line> lines, boolean may) {
    /** @param value as it was typed; empty while it was not */
    public record Line(String key, String title, String range, String value) {}

    static List<LearnedView> of(JobState state, Viewer viewer) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .filter(n -> n.kind() == Need.Kind.LEARNED)
                .map(n -> of(state, n, viewer))
                .toList();
    }

    private static LearnedView of(JobState state, Need need, Viewer viewer) {
        PackModule module = state.pack().module(need.what());
        Map<String, Bytes> typed = state.prepared().typed().learned().getOrDefault(module.id(), Map.of());
        return new LearnedView(
                module.id(),
                "What the old " + module.lowerTitle() + " had learned",
                need.here(),
                need.here()
                        ? "Typed; it is written with the rest, and read back."
                        : "Nothing was read of the old one. It stands on its label, or the maker tells it; never a guess.",
                module.adaptations().stream()
                        .map(a -> line(a, typed.get(a.key())))
                        .toList(),
                viewer.may(state.job().number(), "learned") && !state.runHolds());
    }

    private static Line line(Adaptation adaptation, @org.jspecify.annotations.Nullable Bytes typed) {
        return new Line(
                adaptation.key(),
                adaptation.title(),
                LearnedActs.range(adaptation.scaling()),
                typed == null ? "" : adaptation.scaling().text(Long.parseLong(typed.hex(), 16)));
    }
}
