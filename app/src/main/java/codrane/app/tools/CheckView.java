package codrane.app.tools;

import codrane.core.tool.Check;

/**
 * A check as a row of a table.
 *
 * @param mark id of the mark, and class of its colour
 * @param row class of the row; empty when nothing is to be done
 */
public record CheckView(String title, String sentence, String mark, String row) {
    public static CheckView of(Check check) {
        return switch (check.state()) {
            case GOOD -> new CheckView(check.title(), check.sentence(), "agrees", "");
            case ASK -> new CheckView(check.title(), check.sentence(), "hold", "ask");
            case PROBLEM -> new CheckView(check.title(), check.sentence(), "differs", "hit");
        };
    }
}
