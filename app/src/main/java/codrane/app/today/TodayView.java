package codrane.app.today;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.core.ready.Ending;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpMethod;

/**
 * The board as it is shown.
 *
 * @param waiting how many jobs wait for a person, in words
 * @param columns that hold something: an empty one takes no width
 * @param endings what of the workshop runs out soon
 * @param newJob whether this one takes jobs in
 * @param nextRoom whether this one enters the next room
 */
public record TodayView(String waiting, List<Column> columns, List<Runs> endings, boolean newJob, boolean nextRoom) {
    private static final int MANY = 6;

    /** @param wide whether its cards stand beside each other */
    public record Column(String title, String css, List<Card> cards, boolean wide) {}

    /** @param href empty when this one may not go there */
    public record Runs(String sentence, String href) {
        private static Stream<Runs> out(Ending ending, LocalDate today, Role role) {
            String href = Routes.allows(role, HttpMethod.GET, ending.path()) ? ending.path() : "";
            return ending.sentence(today).map(said -> new Runs(said, href)).stream();
        }
    }

    static TodayView of(List<Card> cards, List<Ending> endings, LocalDate today, Role role, boolean demo) {
        List<Card.Column> filled = Arrays.stream(Card.Column.values())
                .filter(c -> cards.stream().anyMatch(card -> card.column() == c))
                .toList();
        long persons =
                cards.stream().filter(c -> c.column() == Card.Column.PERSON).count();
        return new TodayView(
                waiting(persons),
                filled.stream().map(c -> column(c, cards, filled.size())).toList(),
                endings.stream().flatMap(e -> Runs.out(e, today, role)).toList(),
                Routes.allows(role, HttpMethod.GET, "/jobs/new"),
                demo && Routes.allows(role, HttpMethod.GET, "/next-room"));
    }

    private static String waiting(long persons) {
        if (persons == 0) return "no job waits for a person";
        return persons == 1 ? "1 job waits for a person" : persons + " jobs wait for a person";
    }

    private static Column column(Card.Column column, List<Card> all, int columns) {
        List<Card> cards = all.stream().filter(c -> c.column() == column).toList();
        return new Column(column.title(), column.css(), cards, columns < 3 && cards.size() > MANY);
    }
}
