package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The gallery shows every shared fragment, and only where it is switched on. */
@ExtendWith(RunningApp.class)
class GalleryTest {
    private static final Pattern FRAGMENT = Pattern.compile("th:fragment=\"([a-z]+)\\(");
    private static final Path FRAGMENTS = TestWorld.ROOT.resolve("app/src/main/resources/templates");

    @Test
    void gallery_whereNobodyAskedForIt_isNotThere(App app) throws Exception {
        assertThat(WebSession.signIn(app.url(), "tech").status("/gallery")).isEqualTo(404);
    }

    /** A fragment that is added is to be looked at in every state. */
    @Test
    void gallery_template_namesEverySharedFragment() throws Exception {
        String gallery = Files.readString(FRAGMENTS.resolve("gallery/gallery.html"));
        for (String file : List.of("parts", "pictures", "next")) {
            var fragments = FRAGMENT.matcher(Files.readString(FRAGMENTS.resolve("fragments/" + file + ".html")));
            while (fragments.find())
                if (!fragments.group(1).equals("factrows")) // part of facts
                assertThat(gallery).contains("fragments/" + file + " :: " + fragments.group(1) + "(");
        }
    }
}
