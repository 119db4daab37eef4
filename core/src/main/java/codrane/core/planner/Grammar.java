package codrane.core.planner;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Verbs agree with modules whose title is a plural: the doors take, the brakes are. */
final class Grammar {
    private static final Map<String, String> VERBS = Map.ofEntries(
            Map.entry("is", "are"),
            Map.entry("was", "were"),
            Map.entry("has", "have"),
            Map.entry("does", "do"),
            Map.entry("answers", "answer"),
            Map.entry("holds", "hold"),
            Map.entry("carries", "carry"),
            Map.entry("keeps", "keep"),
            Map.entry("knows", "know"),
            Map.entry("takes", "take"),
            Map.entry("comes", "come"),
            Map.entry("learns", "learn"),
            Map.entry("tells", "tell"),
            Map.entry("reads", "read"));

    private static final Map<String, Pattern> SUBJECTS = new ConcurrentHashMap<>();

    private final Pattern subject;
    private final List<String> plurals;

    /** @param pack whose modules are spoken of */
    Grammar(Pack pack) {
        plurals = pack.modules().values().stream()
                .filter(PackModule::plural)
                .map(PackModule::title)
                .toList();
        subject = SUBJECTS.computeIfAbsent(
                plurals.stream().map(Pattern::quote).collect(Collectors.joining("|")), Grammar::subject);
    }

    /** Only as the subject: not after a preposition. */
    private static Pattern subject(String plurals) {
        if (plurals.isEmpty()) return Pattern.compile("(?!)");
        String verbs = String.join("|", VERBS.keySet());
        return Pattern.compile(
                "((?:^|[.:;,?!] |\\band )(?:" + plurals + ")|(?<!\\b(?:in|of|to|from|with|by|for|on|into) )"
                        + "\\b[Tt]he (?:new |old )?(?i:" + plurals + ")) (" + verbs + ")\\b");
    }

    String agree(String sentence) {
        String lower = sentence.toLowerCase(Locale.ROOT);
        if (plurals.stream().noneMatch(title -> lower.contains(title.toLowerCase(Locale.ROOT)))) return sentence;
        return subject.matcher(sentence)
                .replaceAll(found -> Matcher.quoteReplacement(found.group(1) + " " + VERBS.get(found.group(2))))
                .replace("s's ", "s' ");
    }

    List<String> agree(List<String> sentences) {
        return sentences.stream().map(this::agree).toList();
    }

    Operation agree(Operation operation) {
        return operation
                .withReasons(agree(operation.reasons()))
                .saying(agree(operation.prompts()), operation.cautions());
    }

    Judgement agree(Judgement judgement) {
        return switch (judgement) {
            case Judgement.Applies(String reason, List<Operation> operations) ->
                new Judgement.Applies(
                        agree(reason), operations.stream().map(this::agree).toList());
            case Judgement.Blocked(String reason) -> new Judgement.Blocked(agree(reason));
            case Judgement.NotNeeded(String reason) -> new Judgement.NotNeeded(agree(reason));
        };
    }
}
