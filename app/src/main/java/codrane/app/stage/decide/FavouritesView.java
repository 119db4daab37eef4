package codrane.app.stage.decide;

import codrane.app.account.Routes;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import codrane.core.job.VehicleSettings;
import java.util.List;
import org.springframework.http.HttpMethod;

/**
 * What this workshop changes often in vehicles of the model.
 *
 * @param marked whether the shown setting is among them
 * @param may whether who looks may mark one
 */
record FavouritesView(String pack, List<Favourite> all, boolean marked, boolean may) {
    record Favourite(String key, String title, String now) {}

    /** @param setting that is shown; empty when none is */
    static FavouritesView of(
            JobState state, VehicleSettings settings, List<String> keys, String setting, Viewer viewer) {
        return new FavouritesView(
                state.pack().id(),
                keys.stream()
                        .flatMap(key -> settings.one(key).stream())
                        .map(s -> new Favourite(s.key(), s.title(), s.now()))
                        .toList(),
                keys.contains(setting),
                Routes.allows(viewer.role(), HttpMethod.POST, "/favourites"));
    }
}
