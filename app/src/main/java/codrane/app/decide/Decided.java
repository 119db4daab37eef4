package codrane.app.decide;

import codrane.core.job.DecideNotes;
import codrane.core.pack.MarketRules;
import codrane.core.plan.Policy;
import codrane.core.ready.Letter;
import codrane.core.ready.Noted;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything that people and the workshop said about the plan of one job.
 *
 * @param law of the workshop's market, for today
 * @param noted about needs, by key
 * @param orderNow codes of the vehicle order as the baseline has them, for jobs that change it; else none
 * @param passUntil of the workshop's pass to the maker's service
 */
public record Decided(
        DecideNotes notes,
        Policy policy,
        MarketRules law,
        Map<String, Noted> noted,
        Optional<Instant> passUntil,
        List<Letter> letters,
        List<String> orderNow) {
    public static final Decided NOTHING = new Decided(
            DecideNotes.NONE, Policy.DEFAULT, MarketRules.NONE, Map.of(), Optional.empty(), List.of(), List.of());

    public Decided {
        noted = Map.copyOf(noted);
        letters = List.copyOf(letters);
        orderNow = List.copyOf(orderNow);
    }

    public Optional<Letter> letter(String module) {
        return letters.stream().filter(l -> l.module().equals(module)).findFirst();
    }
}
