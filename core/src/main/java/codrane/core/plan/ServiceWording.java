package codrane.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/**
 * What the service information says is to be done, in its own words. Programming and coding are constantly confused: so
 * each meaning keeps the sentence that it was found in.
 *
 * @param evidence sentence by meaning; a meaning that is denied, or only about keys, is absent
 * @param onCondition sentence that asks for programming only under a condition
 * @param denied sentence that says that nothing is to be programmed
 */
public record ServiceWording(Map<Meaning, String> evidence, Optional<String> onCondition, Optional<String> denied) {
    /** What a sentence can ask for. */
    public enum Meaning {
        PROGRAM("program", "program", "reprogram", "flash", "download the calibration", "update the software"),
        CONFIGURE(
                "configure",
                "configure",
                "configuration",
                "code",
                "coding",
                "encode",
                "vehicle data",
                "identity set",
                "set up"),
        INITIALISE(
                "initialise",
                "initialise",
                "initialize",
                "initialisation",
                "learn",
                "relearn",
                "calibrate",
                "aim",
                "zero");

        private final String key;
        private final String words;

        Meaning(String key, String... words) {
            this.key = key;
            this.words = String.join("|", words);
        }

        /** As in packs and JSON. */
        public String key() {
            return key;
        }
    }

    private static final String ENDING = "(?:s|d|ed|med|ming|ing|r)?";
    private static final Pattern DENIAL_BEFORE =
            Pattern.compile("(?:\\b(?:no|not|never|without|nor|instead of)\\b|n't\\b)[^,;:.]{0,30}$");
    private static final Pattern DENIAL_AFTER =
            Pattern.compile("^[^,;:.]{0,30}?\\b(?:not|never) (?:be |been )?(?:needed|required|necessary|done|allowed)");
    // a fault code is not something to be done, and an access code is nothing that is coded
    private static final Pattern OTHER_CODES =
            Pattern.compile("\\b(?:fault|trouble|error|part|access|key|option|order|daily|security|pin|radio) codes?\\b"
                    + "|\\bcodes? of the day\\b");
    private static final String KEYS =
            "(?:keys?|key fobs?|fobs?|remotes?|remote controls?|transmitters?|transponders?)";
    private static final Pattern KEYS_AFTER = Pattern.compile("^\\W+(?:\\w+\\W+){0,4}?" + KEYS + "\\b");
    private static final Pattern KEYS_BEFORE =
            Pattern.compile("\\b" + KEYS + "\\b(?: \\w+){0,2} (?:be|being|been|is|are|get)(?: \\w+)? $");
    private static final Pattern TO_THE_VEHICLE = Pattern.compile(
            "^[^,;:.]{0,50}?\\b(?:to|into|for|with) (?:the|this|that) (?:vehicle|car|van|bus|taxi|chassis|vin)\\b");
    private static final Pattern CONDITION = Pattern.compile(
            "\\b(?:if|unless|when|whenever|in case|provided|should the|where the|as long as|only for|depending on)\\b");

    private static final Map<String, Pattern> WORDS = new ConcurrentHashMap<>();

    public ServiceWording {
        evidence = Map.copyOf(evidence);
    }

    public static ServiceWording of(String text) {
        return of(text, Map.of());
    }

    /** @param own the maker's own words, by key of the meaning */
    public static ServiceWording of(String text, Map<String, List<String>> own) {
        Map<Meaning, String> evidence = new EnumMap<>(Meaning.class);
        Optional<String> onCondition = Optional.empty();
        Optional<String> denied = Optional.empty();
        for (String sentence : text.strip().split("(?<=[.!?])\\s+|\\R+")) {
            String lower =
                    OTHER_CODES.matcher(sentence.toLowerCase(Locale.ROOT)).replaceAll("number");
            for (Meaning meaning : Meaning.values()) {
                for (Sense sense : senses(meaning, lower, words(meaning, own))) {
                    switch (sense) {
                        case ASKED -> evidence.putIfAbsent(meaning, sentence.strip());
                        case TO_THE_VEHICLE -> evidence.putIfAbsent(Meaning.CONFIGURE, sentence.strip());
                        case ON_CONDITION -> onCondition = onCondition.or(() -> Optional.of(sentence.strip()));
                        case DENIED ->
                            denied = meaning == Meaning.PROGRAM
                                    ? denied.or(() -> Optional.of(sentence.strip()))
                                    : denied;
                        case OF_KEYS -> {}
                    }
                }
            }
        }
        return new ServiceWording(evidence, onCondition, denied);
    }

    private static List<String> words(Meaning meaning, Map<String, List<String>> own) {
        List<String> words = new ArrayList<>(own.getOrDefault(meaning.key, List.of()));
        words.addAll(List.of(meaning.words.split("\\|")));
        return words;
    }

    /** In what sense a word stands in a sentence. */
    private enum Sense {
        ASKED,
        DENIED,
        OF_KEYS,
        TO_THE_VEHICLE,
        ON_CONDITION
    }

    /** Each sense in which one of the words stands there. */
    private static List<Sense> senses(Meaning meaning, String sentence, List<String> words) {
        List<Sense> senses = new ArrayList<>();
        for (String word : words) {
            var found = WORDS.computeIfAbsent(word, ServiceWording::pattern).matcher(sentence);
            while (found.find())
                senses.add(sense(meaning, sentence.substring(0, found.start()), sentence.substring(found.end())));
        }
        return senses;
    }

    private static Pattern pattern(String word) {
        String stem = word.endsWith("e") && !word.contains(" ")
                ? word.substring(0, word.length() - 1) + "e?"
                : Pattern.quote(word);
        return Pattern.compile("\\b" + stem + ENDING + "\\b");
    }

    private static Sense sense(Meaning meaning, String before, String after) {
        if (DENIAL_BEFORE.matcher(before).find() || DENIAL_AFTER.matcher(after).find()) return Sense.DENIED;
        if (KEYS_AFTER.matcher(after).find() || KEYS_BEFORE.matcher(before).find()) return Sense.OF_KEYS;
        if (meaning != Meaning.PROGRAM) return Sense.ASKED;
        if (TO_THE_VEHICLE.matcher(after).find()) return Sense.TO_THE_VEHICLE;
        return CONDITION.matcher(before + " " + after).find() ? Sense.ON_CONDITION : Sense.ASKED;
    }

    /** The sentence that says so. */
    public Optional<String> evidence(Meaning meaning) {
        return Optional.ofNullable(evidence.get(meaning));
    }
}
