package codrane.core.pack;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What must be said of a vehicle's option codes, as {@code LFT1 and not (MKT1 or MKT2)}: {@code not} binds closest, then
 * {@code and}, then {@code or}.
 */
public sealed interface CodeCondition {
    /** Longer ones are no rule that a person reads. */
    int LONGEST = 400;

    record Code(String code) implements CodeCondition {}

    record Not(CodeCondition part) implements CodeCondition {}

    record All(List<CodeCondition> parts) implements CodeCondition {
        public All {
            parts = List.copyOf(parts);
        }
    }

    record Any(List<CodeCondition> parts) implements CodeCondition {
        public Any {
            parts = List.copyOf(parts);
        }
    }

    default boolean holds(Collection<String> codes) {
        return switch (this) {
            case Code(String code) -> codes.contains(code);
            case Not(CodeCondition part) -> !part.holds(codes);
            case All(List<CodeCondition> parts) -> parts.stream().allMatch(p -> p.holds(codes));
            case Any(List<CodeCondition> parts) -> parts.stream().anyMatch(p -> p.holds(codes));
        };
    }

    /** The codes that it speaks of: the more, the more specific it is. */
    default Set<String> codes() {
        Set<String> codes = new LinkedHashSet<>();
        switch (this) {
            case Code(String code) -> codes.add(code);
            case Not(CodeCondition part) -> codes.addAll(part.codes());
            case All(List<CodeCondition> parts) -> parts.forEach(p -> codes.addAll(p.codes()));
            case Any(List<CodeCondition> parts) -> parts.forEach(p -> codes.addAll(p.codes()));
        }
        return codes;
    }

    /** @throws IllegalArgumentException with what is wrong, as the end of a sentence that begins with the text */
    static CodeCondition parse(String text) {
        if (text.length() > LONGEST) throw new IllegalArgumentException("has more than " + LONGEST + " characters");
        return new Parser(text).whole();
    }

    /** Reads word by word. */
    final class Parser {
        private static final Pattern WORD = Pattern.compile("\\s*([A-Za-z0-9]+|[()])");
        private static final int DEEPEST = 20;

        private final Deque<String> words = new ArrayDeque<>();
        private int depth;

        private Parser(String text) {
            Matcher matcher = WORD.matcher(text.strip());
            int end = 0;
            while (matcher.find() && matcher.start() == end) {
                words.add(matcher.group(1));
                end = matcher.end();
            }
            if (end < text.strip().length())
                throw new IllegalArgumentException("is not understood from character " + (end + 1));
        }

        private CodeCondition whole() {
            CodeCondition condition = any();
            if (!words.isEmpty()) throw new IllegalArgumentException("has " + words.peek() + " where it should end");
            return condition;
        }

        private CodeCondition any() {
            List<CodeCondition> parts = new java.util.ArrayList<>(List.of(all()));
            while (took("or")) parts.add(all());
            return parts.size() == 1 ? parts.getFirst() : new Any(parts);
        }

        private CodeCondition all() {
            List<CodeCondition> parts = new java.util.ArrayList<>(List.of(one()));
            while (took("and")) parts.add(one());
            return parts.size() == 1 ? parts.getFirst() : new All(parts);
        }

        private CodeCondition one() {
            if (++depth > DEEPEST) throw new IllegalArgumentException("is nested more than " + DEEPEST + " deep");
            CodeCondition one;
            if (took("not")) one = new Not(one());
            else if (took("(")) {
                one = any();
                if (!took(")")) throw new IllegalArgumentException("lacks a closing bracket");
            } else one = code();
            depth--;
            return one;
        }

        private CodeCondition code() {
            String word = words.isEmpty() ? "its end" : words.poll();
            if (!word.matches("[A-Z0-9]{2,6}"))
                throw new IllegalArgumentException("has " + word + " where a code should stand");
            return new Code(word);
        }

        private boolean took(String word) {
            if (!word.equals(words.peek())) return false;
            words.poll();
            return true;
        }
    }
}
