package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Words, flags and options of a call. What nobody asked for is an error. */
final class Arguments {
    private final List<String> args;
    private final Set<Integer> used = new HashSet<>();

    Arguments(List<String> args) {
        this.args = args;
    }

    /** @return up to so many leading words that are no options */
    List<String> words(int most) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < Math.min(most, args.size()) && !args.get(i).startsWith("--"); i++) words.add(args.get(i));
        return words;
    }

    /** Takes the first words away. */
    void take(int count) {
        for (int i = 0; i < count; i++) used.add(i);
    }

    boolean flag(String name) {
        int at = args.indexOf(name);
        if (at >= 0) used.add(at);
        return at >= 0;
    }

    Optional<String> option(String name) {
        int at = args.indexOf(name);
        if (at < 0) return Optional.empty();
        if (at + 1 >= args.size()) throw new UsageException(name + " needs a value");
        used.add(at);
        used.add(at + 1);
        return Optional.of(args.get(at + 1));
    }

    /** Every value of an option that may be given more than once. */
    List<String> options(String name) {
        List<String> values = new ArrayList<>();
        for (int at = 0; at < args.size(); at++) {
            if (!args.get(at).equals(name)) continue;
            if (at + 1 >= args.size()) throw new UsageException(name + " needs a value");
            used.add(at);
            used.add(at + 1);
            values.add(args.get(at + 1));
        }
        return values;
    }

    String needed(String name) {
        return option(name).orElseThrow(() -> new UsageException(name + " is missing"));
    }

    Optional<Integer> number(String name, int least, int most) {
        return option(name).map(text -> {
            if (text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most) {
                return Integer.parseInt(text);
            }
            throw new UsageException(name + ": " + InputFile.quoted(text) + " (expected " + least + ".." + most + ")");
        });
    }

    /** The one word that is left. */
    String onlyWord(String what) {
        for (int i = 0; i < args.size(); i++) {
            if (!used.contains(i) && !args.get(i).startsWith("--")) {
                used.add(i);
                return args.get(i);
            }
        }
        throw new UsageException(what + " is missing");
    }

    void end() {
        for (int i = 0; i < args.size(); i++) {
            if (!used.contains(i)) throw new UsageException("not understood: " + InputFile.quoted(args.get(i)));
        }
    }
}
