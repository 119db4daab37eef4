package codrane.standin.service;

import codrane.core.pack.Pack;
import codrane.standin.module.AccessCodes;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The counter of a maker's service at which the code of the day is bought; its day is that of UTC. */
final class DailyCodes {
    private static final int PRICE = 38;

    private final List<Pack> packs;
    private final InstantSource time;
    private volatile Mood mood = Mood.RIGHT;

    /** How the counter serves. */
    enum Mood {
        RIGHT,
        /** It sends the code of the day before, as a counter does whose clock is wrong. */
        SLOW,
        /** It answers nothing. */
        DOWN,
        /** It sells, and its answer is lost on the way. */
        CUT
    }

    DailyCodes(List<Pack> packs, InstantSource time) {
        this.packs = List.copyOf(packs);
        this.time = time;
    }

    private Optional<Pack> sold(String service) {
        return packs.stream()
                .filter(p -> p.service().equals(service)
                        && p.equipment()
                                .immobiliser()
                                .filter(i -> i.dailyCode())
                                .isPresent())
                .findFirst();
    }

    /** In crowns; empty when the maker sells none. */
    Optional<Map<String, Object>> price(String service) {
        return sold(service).map(pack -> Map.of("price", PRICE));
    }

    /** Empty when the maker sells none, or another price was agreed to. */
    Optional<Map<String, Object>> buy(String service, String agreed) {
        LocalDate today = LocalDate.ofInstant(time.instant(), ZoneOffset.UTC);
        LocalDate day = mood == Mood.SLOW ? today.minusDays(1) : today;
        return sold(service)
                .filter(pack -> agreed.equals(String.valueOf(PRICE)))
                .map(pack ->
                        Map.of("code", AccessCodes.ofDay(pack.maker(), day), "day", day.toString(), "price", PRICE));
    }

    void be(Mood next) {
        mood = next;
    }

    /** @param buys whether something is bought, or only its price asked */
    boolean answers(boolean buys) {
        return mood != Mood.DOWN && !(buys && mood == Mood.CUT);
    }
}
