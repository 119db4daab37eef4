package codrane.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** How pages are written: on Bootstrap's ground, with little of their own, in lines that can be read. */
class PageSourcesTest {
    private static final Path RESOURCES = Path.of("src/main/resources");

    /** Half of what there was before pages stood on Bootstrap. */
    private static final int OWN_RULES = 140;

    private static final int LONGEST = 140;
    private static final Pattern TAG = Pattern.compile("<[a-z][^<>]*(?:\"[^\"]*\"[^<>]*)*>");
    private static final Pattern HIDES = Pattern.compile("x-show=");
    private static final Pattern FORCED = Pattern.compile("class=\"[^\"]*\\bd-(?:flex|block|grid|inline)");
    private static final Pattern LOGIC = Pattern.compile("facts\\.|T\\(|\\.name\\(\\)|style=\"");

    @Test
    void styles_ownRules_stayFew() {
        assertThat(files("static/css", ".css")
                        .mapToLong(f -> text(f).chars().filter(c -> c == '{').count())
                        .sum())
                .isBetween(1L, (long) OWN_RULES);
    }

    @Test
    void sources_everyLine_canBeReadAtOnce() {
        List<String> longer = Stream.of(
                        files("templates", ".html"), files("static/css", ".css"), files("static/js", ".js"))
                .flatMap(s -> s)
                .flatMap(f -> text(f).lines().filter(l -> l.length() > LONGEST).map(l -> f + ": " + l))
                .toList();
        assertThat(longer).isEmpty();
    }

    @Test
    void templates_noneReachesPastItsView() {
        List<String> reaching = files("templates", ".html")
                .flatMap(f -> text(f).lines().filter(LOGIC.asPredicate()).map(l -> f + ": " + l))
                .toList();
        assertThat(reaching).isEmpty();
    }

    /** Bootstrap's display utilities are stronger than what hides an element for a while. */
    @Test
    void shownForAWhile_isNotForcedToBeShown() {
        List<String> forced = files("templates", ".html")
                .flatMap(f -> TAG.matcher(text(f))
                        .results()
                        .map(MatchResult::group)
                        .filter(tag ->
                                HIDES.matcher(tag).find() && FORCED.matcher(tag).find())
                        .map(tag -> f + ": " + tag))
                .toList();
        assertThat(forced).isEmpty();
    }

    private static Stream<Path> files(String folder, String end) {
        try (Stream<Path> found = Files.walk(RESOURCES.resolve(folder))) {
            return found.filter(f -> f.toString().endsWith(end)).sorted().toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
