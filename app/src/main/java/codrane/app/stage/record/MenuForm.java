package codrane.app.stage.record;

import codrane.app.tools.MenuMap;
import org.jspecify.annotations.Nullable;

/** What a tool calls an operation, as it is typed. */
public record MenuForm(
        @Nullable String operation,
        @Nullable String tool,
        @Nullable String wording,
        @Nullable String path,
        @Nullable String warning) {
    /** What was typed, or a sentence that says what is wrong. */
    sealed interface Read {
        record Said(MenuMap.Words words) implements Read {}

        record Wrong(String sentence) implements Read {}
    }

    Read read() {
        MenuMap.Words words = new MenuMap.Words(text(tool), text(wording), text(path), text(warning));
        if (words.tool().isEmpty() || words.wording().isEmpty() || words.path().isEmpty())
            return new Read.Wrong("Say the tool, what it calls it, and where it is.");
        boolean tooLong = words.tool().length() > 40
                || words.wording().length() > 120
                || words.path().length() > 200
                || words.warning().length() > 200;
        return tooLong ? new Read.Wrong("That is too long to be found again.") : new Read.Said(words);
    }

    private static String text(@Nullable String typed) {
        return typed == null ? "" : typed.strip();
    }
}
