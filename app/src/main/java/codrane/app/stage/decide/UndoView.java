package codrane.app.stage.decide;

import codrane.core.baseline.Undo;
import java.util.List;

/**
 * What this workshop changed before: nothing is ticked.
 *
 * @param others what can't be put back setting by setting
 */
public record UndoView(List<Tick> settings, List<String> others) {
    /** @param more what is to be known before it is ticked */
    public record Tick(String value, String title, String more) {}

    static UndoView of(Undo undo) {
        return new UndoView(
                undo.settings().stream()
                        .map(s -> new Tick(
                                s.putBack().key(),
                                s.title() + ": " + s.is() + " → " + s.was(),
                                s.module().title() + "."
                                        + (s.ours() ? "" : " Somebody changed it since: ask before it goes back.")))
                        .toList(),
                undo.others());
    }
}
