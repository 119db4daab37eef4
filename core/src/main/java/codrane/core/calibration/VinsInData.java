package codrane.core.calibration;

import codrane.core.calibration.MemoryImage.Segment;
import codrane.core.octets.Bytes;
import codrane.core.vin.Vin;
import codrane.core.vin.VinRule;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** VINs that stand as ASCII in what was read out of a module, forwards or with their octets in reverse order. */
public final class VinsInData {
    private static final int LENGTH = 17;
    private static final int AT_ONCE = 1 << 20;
    /** Longer runs of such characters are tables or texts. */
    private static final int LONGEST_RUN = 64;

    private static final int LEAST_DISTINCT = 5;

    /** @param addresses of its first octet in memory, rising; a VIN is usually kept several times */
    public record Found(Vin vin, List<Long> addresses, boolean backwards) {}

    private final String wmi;
    private final VinRule rule;
    private final Map<String, List<Long>> forwards = new LinkedHashMap<>();
    private final Map<String, List<Long>> backwards = new LinkedHashMap<>();

    private VinsInData(String wmi, VinRule rule) {
        this.wmi = wmi;
        this.rule = rule;
    }

    /**
     * @param wmi of the maker whose VINs are taken within longer runs of characters, too
     * @param rule of that maker
     * @return the most frequent first
     */
    public static List<Found> of(MemoryImage image, String wmi, VinRule rule) {
        VinsInData vins = new VinsInData(wmi, rule);
        image.segments().forEach(segment -> vins.look(image, segment));
        List<Found> found = new ArrayList<>();
        vins.forwards.forEach((vin, at) -> found.add(new Found(new Vin(vin), List.copyOf(at), false)));
        vins.backwards.forEach((vin, at) -> found.add(new Found(new Vin(vin), List.copyOf(at), true)));
        found.sort(Comparator.comparingInt((Found f) -> -f.addresses().size())
                .thenComparing(f -> f.vin().text()));
        return found;
    }

    private void look(MemoryImage image, Segment segment) {
        StringBuilder run = new StringBuilder();
        long length = 0;
        for (long from = segment.start(); from < segment.end(); from += AT_ONCE) {
            Bytes octets = image.read(from, (int) Math.min(AT_ONCE, segment.end() - from));
            for (int i = 0; i < octets.length(); i++) {
                char c = (char) octets.u8(i);
                if (isOfVins(c)) {
                    length++;
                    if (length <= LONGEST_RUN) run.append(c);
                } else {
                    ended(run, length, from + i - length);
                    run.setLength(0);
                    length = 0;
                }
            }
        }
        ended(run, length, segment.end() - length);
    }

    private static boolean isOfVins(char c) {
        return c >= '0' && c <= '9' || c >= 'A' && c <= 'Z' && "IOQ".indexOf(c) < 0;
    }

    private void ended(StringBuilder run, long length, long start) {
        if (length < LENGTH || length > LONGEST_RUN) return;
        boolean alone = length == LENGTH;
        for (int i = 0; i + LENGTH <= length; i++) {
            String text = run.substring(i, i + LENGTH);
            String turned = new StringBuilder(text).reverse().toString();
            if (isOne(new Vin(text), alone))
                forwards.computeIfAbsent(text, v -> new ArrayList<>()).add(start + i);
            else if (isOne(new Vin(turned), false))
                backwards.computeIfAbsent(turned, v -> new ArrayList<>()).add(start + i);
        }
    }

    /** Of another maker it is believed only by its check digit, and when nothing stands beside it. */
    private boolean isOne(Vin vin, boolean alone) {
        if (vin.text().chars().distinct().count() < LEAST_DISTINCT) return false;
        return vin.wmi().equals(wmi) ? !rule.checkDigit() || vin.checkDigitFits() : alone && vin.checkDigitFits();
    }
}
