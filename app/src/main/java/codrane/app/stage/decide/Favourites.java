package codrane.app.stage.decide;

import codrane.app.packs.PackShelf;
import codrane.core.pack.Pack;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Settings that this workshop changes often, by model. */
@Component
@Transactional
class Favourites {
    private static final int MOST = 24;

    private final FavouriteRepository favourites;
    private final PackShelf packs;
    private final InstantSource time;

    Favourites(FavouriteRepository favourites, PackShelf packs, InstantSource time) {
        this.favourites = favourites;
        this.packs = packs;
        this.time = time;
    }

    /** Keys: layout, slash, field. */
    @Transactional(readOnly = true)
    public List<String> of(String pack) {
        return favourites.findByPackOrderBySetting(pack, Limit.of(MOST)).stream()
                .map(f -> f.setting)
                .toList();
    }

    /**
     * @param on whether it is one from now on
     * @return why not, as a sentence
     */
    public Optional<String> mark(String packId, String setting, boolean on, String who) {
        Optional<FavouriteEntity> there = favourites.findByPackAndSetting(packId, setting);
        if (!on) {
            there.ifPresent(favourites::delete);
            return Optional.empty();
        }
        if (there.isPresent()) return Optional.empty();
        if (!known(packId, setting)) return Optional.of("No vehicle here has this setting.");
        if (of(packId).size() >= MOST)
            return Optional.of("More than " + MOST + " are no favourites any more: take one out first.");
        FavouriteEntity favourite = new FavouriteEntity();
        favourite.pack = packId;
        favourite.setting = setting;
        favourite.at = time.instant();
        favourite.who = who;
        favourites.save(favourite);
        return Optional.empty();
    }

    private boolean known(String packId, String setting) {
        int slash = setting.indexOf('/');
        Optional<Pack> pack =
                packs.all().stream().filter(p -> p.id().equals(packId)).findFirst();
        return slash > 0
                && pack.flatMap(p -> Optional.ofNullable(p.layouts().get(setting.substring(0, slash))))
                        .flatMap(layout -> layout.field(setting.substring(slash + 1)))
                        .isPresent();
    }
}
