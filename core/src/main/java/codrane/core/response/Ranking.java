package codrane.core.response;

import codrane.core.response.FrequencyResponse.Band;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Measured responses, the flattest over a band first.
 *
 * @param tooShort names of those that do not reach over the band, and are not ranked
 */
public record Ranking(Band band, List<Place> places, List<String> tooShort) {
    private static final double AUDIBLE_DB = 0.5;

    /**
     * @param flatness standard deviation of the band's third octaves, dB
     * @param levels of these third octaves, their mean at 0 dB
     */
    public record Place(String name, double flatness, List<Double> levels) {}

    /** @param responses by name */
    public static Ranking of(Map<String, FrequencyResponse> responses, Band band) {
        List<Place> places = new ArrayList<>();
        List<String> tooShort = new ArrayList<>();
        responses.forEach((name, response) -> {
            if (response.covers(band)) places.add(new Place(name, response.flatness(band), response.aligned(band)));
            else tooShort.add(name);
        });
        places.sort(Comparator.comparingDouble(Place::flatness).thenComparing(Place::name));
        return new Ranking(band, places, tooShort);
    }

    public Ranking {
        places = List.copyOf(places);
        tooShort = List.copyOf(tooShort);
    }

    /** What it comes to, as a sentence; empty when there is nothing to compare. */
    public String sentence() {
        if (places.size() < 2) return "";
        Place first = places.getFirst();
        Place second = places.get(1);
        double ahead = second.flatness() - first.flatness();
        return !audible()
                ? String.format(
                        Locale.ROOT,
                        "%s and %s differ by %.1f dB: nobody hears that.",
                        first.name(),
                        second.name(),
                        ahead)
                : String.format(
                        Locale.ROOT,
                        "%s is the flattest: %.1f dB, against %.1f dB of %s.",
                        first.name(),
                        first.flatness(),
                        second.flatness(),
                        second.name());
    }

    /**
     * What the microphone says of somebody's advice, as a sentence.
     *
     * @param name of what is advised
     */
    public String judged(String name) {
        String says = "The seller advises “" + name + "”";
        Place first = places.isEmpty() ? null : places.getFirst();
        Place advised = places.stream()
                .filter(p -> p.name().equalsIgnoreCase(name))
                .findFirst()
                .orElse(null);
        if (first == null || advised == null) return says + ": it was not heard yet.";
        if (places.size() == 1) return says + ": nothing else was heard to compare it with.";
        Place other = advised.equals(first) ? places.get(1) : first;
        double behind = advised.flatness() - other.flatness();
        if (Math.abs(behind) < AUDIBLE_DB) return says + ": nobody hears a difference to “" + other.name() + "”.";
        return behind < 0
                ? says + ", and it is the flattest that was heard."
                : String.format(
                        Locale.ROOT,
                        "%s, which strays by %.1f dB; “%s” strays by %.1f dB: the microphone says otherwise.",
                        says,
                        advised.flatness(),
                        other.name(),
                        other.flatness());
    }

    /** Whether the first is so far ahead that somebody hears it. */
    public boolean audible() {
        return places.size() > 1 && places.get(1).flatness() - places.getFirst().flatness() >= AUDIBLE_DB;
    }

    /** Names of the band's third octaves, Hz. */
    public List<Integer> middles() {
        return band.middles();
    }
}
