package codrane.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What a form says about length is held on the server, too. */
class FieldBoundsTest {
    private static final Pattern FIELD = Pattern.compile("<(?:input|textarea)\\b[^>]*>");
    private static final Pattern NAME = Pattern.compile("(?<![\\w:-])name=\"([^\"]+)\"");
    private static final Pattern MOST = Pattern.compile("maxlength=\"(\\d+)\"");
    private static final Pattern TYPED = Pattern.compile("type=\"(?:text|password)\"|<textarea");

    @Test
    void everyTextFieldOfEveryTemplate_isBoundedAsItSays() throws IOException {
        Map<String, Integer> said = new TreeMap<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) read(file, said);
        }
        assertThat(said).hasSizeGreaterThan(30);
        said.forEach((name, most) -> assertThat(FieldBounds.of(name))
                .as(name)
                .hasValueSatisfying(bound -> assertThat(bound).as(name).isEqualTo(most == 0 ? bound : most)));
    }

    private static void read(Path file, Map<String, Integer> said) throws IOException {
        Matcher fields = FIELD.matcher(Files.readString(file));
        while (fields.find()) {
            Matcher name = NAME.matcher(fields.group());
            if (!name.find() || !TYPED.matcher(fields.group()).find()) continue;
            Matcher most = MOST.matcher(fields.group());
            said.merge(name.group(1), most.find() ? Integer.parseInt(most.group(1)) : 0, Math::max);
        }
    }

    @Test
    void judge_linesOfABrowser_countOnceEach() {
        assertThat(FieldBounds.judge("complaint", "x\r\n".repeat(200))).isEmpty();
        assertThat(FieldBounds.judge("complaint", "x".repeat(401)))
                .hasValueSatisfying(s -> assertThat(s).contains("400").contains("401"));
        assertThat(FieldBounds.judge("no such field", "x".repeat(401))).isEmpty();
    }
}
