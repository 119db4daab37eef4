package codrane.core.pack;

import static java.util.Objects.requireNonNull;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/**
 * Makes the smaller settings of a vehicle from the words of {@code packs/vocabulary/settings.yaml}: where their bits are,
 * and how the vehicle was built, follows from the pack's name and stays the same. What comes out is a part of the pack
 * like any other, for people to read.
 *
 * @param words the vocabulary as read
 */
record SettingsOfThisWorld(Map<String, Object> words) {
    private static final String MARK =
            "  # made from vocabulary/settings.yaml by SettingsOfThisWorld: change the words, then make them again\n";
    private static final int FIRST_ID = 0x4000;
    private static final int IDS_A_MODULE = 8;
    private static final int WIDTH = 150;
    private static final List<String> CHECKS = List.of("crc8-j1850", "sum8", "xor8");

    /** One setting at its place. */
    private record Placed(String key, int at, int bits) {}

    /** One setting before it has a place. */
    private record Wish(String key, String title, Map<String, Object> aspect) {}

    static SettingsOfThisWorld of(String vocabulary) {
        return new SettingsOfThisWorld(
                map(requireNonNull(new Load(LoadSettings.builder().build()).loadFromString(vocabulary))));
    }

    /** The pack with its made blocks, whether it had some before or not. */
    String grown(String pack, String text) {
        StringBuilder layouts = new StringBuilder(MARK);
        String grown =
                text.contains(MARK) ? text.replaceFirst("(?s)" + Pattern.quote(MARK) + ".*?(?=\nfaults:)", "") : text;
        for (var module : map(words.get("modules")).entrySet()) {
            Matcher section = Pattern.compile("(?m)^  " + module.getKey() + ":\n(?:    .*\n|\n)*")
                    .matcher(grown.substring(0, grown.indexOf("\nlayouts:")));
            if (!section.find()) continue;
            int address = Integer.decode(first(section.group(), "(?m)^    address: (0x..)$"));
            List<String> history = history(section.group());
            List<String> ids = new ArrayList<>();
            for (Object block : list(module.getValue())) {
                String id = module.getKey() + "-" + map(block).get("block");
                layouts.append(layout(pack, id, FIRST_ID + address * IDS_A_MODULE + ids.size(), map(block), history));
                ids.add(id);
            }
            grown = grown.replace(section.group(), withBlocks(section.group(), ids));
        }
        return grown.replaceFirst("\nfaults:", Matcher.quoteReplacement(layouts + "\nfaults:"));
    }

    private static String first(String text, String pattern) {
        Matcher found = Pattern.compile(pattern).matcher(text);
        if (!found.find()) throw new IllegalArgumentException(pattern + " is not in " + text);
        return found.group(1);
    }

    /** Beside the blocks that were written by hand. */
    private static String withBlocks(String section, List<String> made) {
        Matcher blocks = Pattern.compile("(?m)^    blocks: \\[(.*)]\n").matcher(section);
        if (!blocks.find())
            return section.replaceFirst(
                    "(?m)^(    identification:.*\n)", "$1    blocks: [" + String.join(", ", made) + "]\n");
        List<String> all = new ArrayList<>(List.of(blocks.group(1).split(", ")));
        all.removeAll(made);
        all.addAll(made);
        return section.replace(blocks.group(), "    blocks: [" + String.join(", ", all) + "]\n");
    }

    private String layout(String pack, String id, int dataIdentifier, Map<String, Object> block, List<String> history) {
        Random random = new Random((pack + "/" + id).hashCode());
        List<String> fields = new ArrayList<>();
        List<String> factory = new ArrayList<>();
        List<Placed> placed = new ArrayList<>();
        int at = 0;
        for (Wish wish : wishes(block)) {
            int bits = bits(wish.aspect());
            if (bits % 8 == 0) at = (at + 7) / 8 * 8;
            else if (random.nextInt(6) == 0) at += 1 + random.nextInt(2); // bits that nobody explains
            if (at / 8 != (at + bits - 1) / 8) at = (at + 7) / 8 * 8;
            fields.add("      - { key: " + wish.key() + ", title: \"" + wish.title() + "\", at: " + at + ", bits: "
                    + bits + ", " + kind(wish.aspect()) + " }\n");
            factory.add(wish.key() + ": \"" + built(random, wish.aspect()) + "\"");
            placed.add(new Placed(wish.key(), at, bits));
            at += bits;
        }
        int length = (at + 7) / 8 + 1 + random.nextInt(3);
        String check = CHECKS.get(random.nextInt(CHECKS.size()));
        return String.format(
                Locale.ROOT,
                "  %s:%n    title: %s%n    id: 0x%04X%n    octets: %d%n"
                        + "    check: { kind: %s, covers: { start: 0, length: %d }, at: %d }%n%s%s    fields:%n%s",
                id,
                block.get("title"),
                dataIdentifier,
                length + 1,
                check,
                length,
                length,
                earlier(pack + "/" + id, placed, check, length, history),
                wrapped(factory),
                String.join("", fields));
    }

    /** Versions before the current one, the oldest first; none when the pack tells none. */
    private static List<String> history(String section) {
        Matcher found =
                Pattern.compile("(?m)^    software: \\{.* history: \\[(.*?)]").matcher(section);
        return found.find() ? List.of(found.group(1).replace("\"", "").split(", ")) : List.of();
    }

    /** The oldest software had a few settings of the middle not yet, so that all behind them stood before. */
    private static String earlier(String name, List<Placed> placed, String check, int length, List<String> history) {
        if (history.size() < 2 || placed.size() < 12) return "";
        Random random = new Random((name + "/earlier").hashCode());
        List<Placed> whole = placed.subList(4, placed.size() - 2).stream()
                .filter(p -> p.bits() == 8)
                .toList();
        if (whole.size() < 2) return "";
        int first = random.nextInt(whole.size() - 1);
        int from = whole.get(first).at();
        int to = whole.get(Math.min(whole.size() - 1, first + 1 + random.nextInt(2)))
                .at();
        List<String> without = placed.stream()
                .filter(p -> p.at() >= from && p.at() < to)
                .map(Placed::key)
                .toList();
        int then = length - (to - from) / 8;
        return String.format(
                Locale.ROOT,
                "    software: \"%s\"%n    earlier:%n      - { octets: %d, without: [%s], shift: { from: %d, by: %d },%n"
                        + "          check: { kind: %s, covers: { start: 0, length: %d }, at: %d } }%n",
                history.get(1),
                then + 1,
                String.join(", ", without),
                to,
                from - to,
                check,
                then,
                then);
    }

    private static String wrapped(List<String> factory) {
        StringBuilder lines = new StringBuilder("    factory:\n      { ");
        int column = 8;
        for (int i = 0; i < factory.size(); i++) {
            String entry = factory.get(i) + (i + 1 < factory.size() ? ", " : " }\n");
            if (column + entry.length() > WIDTH) {
                lines.setLength(lines.length() - 1);
                lines.append("\n        ");
                column = 8;
            }
            lines.append(entry);
            column += entry.length();
        }
        return lines.toString();
    }

    private List<Wish> wishes(Map<String, Object> block) {
        Map<String, Object> aspects = map(words.get("aspects"));
        List<Wish> wishes = new ArrayList<>();
        for (Object entry : list(block.get("words"))) {
            Map<String, Object> word = map(entry);
            List<Object> places = word.containsKey("at") ? list(word.get("at")) : List.of("");
            for (Object place : places)
                for (Object name : list(word.get("each"))) {
                    Map<String, Object> aspect = map(requireNonNull(aspects.get(name)));
                    String of = (word.get("of") + " " + place).strip();
                    wishes.add(new Wish(key(of + " " + name), of + ": " + aspect.get("title"), aspect));
                }
        }
        return wishes;
    }

    private static String key(String words) {
        return words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", ".");
    }

    private static int bits(Map<String, Object> aspect) {
        if (aspect.containsKey("letters")) return Integer.parseInt(String.valueOf(aspect.get("letters"))) * 8;
        if (!aspect.containsKey("values")) return 8;
        return Math.max(
                1, 32 - Integer.numberOfLeadingZeros(list(aspect.get("values")).size() - 1));
    }

    private static String kind(Map<String, Object> aspect) {
        String concerns = aspect.containsKey("concerns")
                ? ", concerns: ["
                        + list(aspect.get("concerns")).stream()
                                .map(String::valueOf)
                                .collect(Collectors.joining(", "))
                        + "]"
                : "";
        if (aspect.containsKey("letters")) return "kind: text";
        if (aspect.containsKey("values")) {
            List<Object> values = list(aspect.get("values"));
            return IntStream.range(0, values.size())
                    .mapToObj(raw -> raw + ": \"" + values.get(raw) + "\"")
                    .collect(Collectors.joining(", ", "values: { ", " }" + concerns));
        }
        String offset = aspect.containsKey("offset") ? ", offset: " + aspect.get("offset") : "";
        return "factor: " + aspect.get("factor") + offset + ", unit: \"" + aspect.get("unit") + "\", least: "
                + aspect.get("least") + ", most: " + aspect.get("most") + concerns;
    }

    /** As the vehicle was built: a choice, or a number within its limits that the bits can hold. */
    private static String built(Random random, Map<String, Object> aspect) {
        if (aspect.containsKey("letters")) {
            List<Object> texts = list(aspect.get("built"));
            return String.valueOf(texts.get(random.nextInt(texts.size())));
        }
        if (aspect.containsKey("values")) {
            List<Object> values = list(aspect.get("values"));
            return String.valueOf(values.get(random.nextInt(values.size())));
        }
        BigDecimal factor = number(aspect, "factor");
        BigDecimal offset = aspect.containsKey("offset") ? number(aspect, "offset") : BigDecimal.ZERO;
        BigDecimal least = number(aspect, "least");
        BigDecimal most = number(aspect, "most")
                .min(factor.multiply(BigDecimal.valueOf(255)).add(offset));
        BigDecimal step = round(most.subtract(least)).max(factor);
        List<BigDecimal> round = new ArrayList<>();
        for (BigDecimal v = least.divide(step, 0, RoundingMode.CEILING).multiply(step);
                v.compareTo(most) <= 0;
                v = v.add(step)) if (v.subtract(offset).remainder(factor).signum() == 0) round.add(v);
        return round.get(random.nextInt(round.size())).stripTrailingZeros().toPlainString();
    }

    /** A step of 1, 2 or 5 tens, by which a person would set a value of this span. */
    private static BigDecimal round(BigDecimal span) {
        double rough = span.doubleValue() / 12;
        double ten = Math.pow(10, Math.floor(Math.log10(rough)));
        double nice = rough / ten <= 1 ? 1 : rough / ten <= 2 ? 2 : rough / ten <= 5 ? 5 : 10;
        return BigDecimal.valueOf(nice * ten).round(new MathContext(2)).stripTrailingZeros();
    }

    private static BigDecimal number(Map<String, Object> aspect, String key) {
        return new BigDecimal(String.valueOf(aspect.get(key)));
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object value) {
        return (Map<String, Object>) requireNonNull(value);
    }

    @SuppressWarnings("unchecked")
    private static List<Object> list(Object value) {
        return (List<Object>) requireNonNull(value);
    }
}
