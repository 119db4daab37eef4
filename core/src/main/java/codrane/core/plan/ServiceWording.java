package codrane.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What the service information says is to be done, in its own words. Programming and coding are constantly confused: so
 * each meaning keeps the sentence that it was found in.
 *
 * @param evidence sentence by meaning; a meaning that is denied is absent
 */
public record ServiceWording(Map<Meaning, String> evidence) {
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
    // a fault code is not something to be done
    private static final Pattern FAULT = Pattern.compile("\\b(?:fault|trouble|error|part) codes?\\b");

    public ServiceWording {
        evidence = Map.copyOf(evidence);
    }

    public static ServiceWording of(String text) {
        return of(text, Map.of());
    }

    /** @param own the maker's own words, by key of the meaning */
    public static ServiceWording of(String text, Map<String, List<String>> own) {
        Map<Meaning, String> evidence = new EnumMap<>(Meaning.class);
        for (String sentence : text.strip().split("(?<=[.!?])\\s+|\\R+")) {
            String lower = FAULT.matcher(sentence.toLowerCase(Locale.ROOT)).replaceAll("fault");
            for (Meaning meaning : Meaning.values())
                if (says(lower, words(meaning, own))) evidence.putIfAbsent(meaning, sentence.strip());
        }
        return new ServiceWording(evidence);
    }

    private static List<String> words(Meaning meaning, Map<String, List<String>> own) {
        List<String> words = new ArrayList<>(own.getOrDefault(meaning.key, List.of()));
        words.addAll(List.of(meaning.words.split("\\|")));
        return words;
    }

    /** Whether one of the words stands there without being denied. */
    private static boolean says(String sentence, List<String> words) {
        for (String word : words) {
            String stem = word.endsWith("e") && !word.contains(" ")
                    ? word.substring(0, word.length() - 1) + "e?"
                    : Pattern.quote(word);
            var found = Pattern.compile("\\b" + stem + ENDING + "\\b").matcher(sentence);
            while (found.find()) {
                boolean denied = DENIAL_BEFORE
                                .matcher(sentence.substring(0, found.start()))
                                .find()
                        || DENIAL_AFTER.matcher(sentence.substring(found.end())).find();
                if (!denied) return true;
            }
        }
        return false;
    }

    /** The sentence that says so. */
    public Optional<String> evidence(Meaning meaning) {
        return Optional.ofNullable(evidence.get(meaning));
    }
}
