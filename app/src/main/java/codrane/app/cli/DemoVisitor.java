package codrane.app.cli;

import codrane.core.plan.JobKind;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Somebody of the demo at the pages: what a browser would show is read, what a person would press is posted. */
final class DemoVisitor {
    /** Made up, printed by the launcher, and only in the demo. */
    private static final String PASSWORD = "pierhead";

    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");
    /** Each page's forms have keys of their own, so that pressing twice is told from pressing again. */
    private static final Pattern ONCE = Pattern.compile("name=\"once\" value=\"([^\"]+)\"");

    private static final Pattern REFUSED =
            Pattern.compile("class=\"refused alert alert-danger\" role=\"alert\">([^<]*)<");
    private static final int MOST_TRIES = 30;

    private final HttpCalls http = new HttpCalls();
    private final URI pages;

    private DemoVisitor(URI pages) {
        this.pages = pages;
    }

    static DemoVisitor signIn(URI pages, String name) throws IOException {
        DemoVisitor visitor = new DemoVisitor(pages);
        visitor.post("/login", "/login", "username", name, "password", PASSWORD);
        return visitor;
    }

    private String get(String path) throws IOException {
        return http.page(pages.resolve(path));
    }

    private String post(String path, String from, String... fields) throws IOException {
        String page = get(from);
        List<String> all = new ArrayList<>(List.of(fields));
        all.add("_csrf");
        all.add(found(TOKEN, page).orElseThrow(() -> new IOException(from + " has no form")));
        found(ONCE, page).ifPresent(key -> all.addAll(List.of("once", key)));
        return http.form(pages.resolve(path), all.toArray(String[]::new));
    }

    private static Optional<String> found(Pattern pattern, String page) {
        Matcher matcher = pattern.matcher(page);
        return matcher.find() ? Optional.of(matcher.group(1)) : Optional.empty();
    }

    /** The newest job of this kind on a vehicle. */
    Job job(String vin, JobKind kind) throws IOException {
        Pattern title = Pattern.compile("Job (\\d+), " + Pattern.quote(kind.title()) + "<");
        String number = found(title, get("/vehicles/" + vin).replace("&#39;", "'"))
                .orElseThrow(() -> new IOException("there is no job \"" + kind.title() + "\" on " + vin));
        return new Job(number);
    }

    /** A job, as its pages show it. */
    final class Job {
        private final String at;

        private Job(String number) {
            at = "/jobs/" + number + "/";
        }

        /** @return why it was refused; empty when it was done */
        Optional<String> tried(String act, String... fields) throws IOException {
            return found(REFUSED, post(at + act, at + "now", fields));
        }

        /** @throws IOException when it is refused */
        void act(String act, String... fields) throws IOException {
            Optional<String> refused = tried(act, fields);
            if (refused.isPresent()) throw new IOException(at + act + " was refused: " + refused.get());
        }

        /** Ticks every write and starts the run; again while the supply is not measured long enough. */
        void release() throws IOException {
            List<String> fields = new ArrayList<>();
            for (String write : values("run", "release")) fields.addAll(List.of("release", write));
            Optional<String> refused = Optional.of("");
            for (int i = 0; i < MOST_TRIES && refused.isPresent(); i++) {
                if (i > 0) pause();
                refused = tried("run", fields.toArray(String[]::new));
            }
            if (refused.isPresent()) throw new IOException(at + "run was refused: " + refused.get());
        }

        /** What the fields of a name on a page of the job hold. */
        List<String> values(String stage, String name) throws IOException {
            Matcher matcher = Pattern.compile("name=\"" + name + "\"[^>]*value=\"([^\"]*)\"")
                    .matcher(get(at + stage));
            List<String> values = new ArrayList<>();
            while (matcher.find()) values.add(matcher.group(1));
            return values;
        }

        /** Whether the next act is this. */
        boolean offers(String act) throws IOException {
            return get(at + "now").contains("action=\"" + at + act + "\"");
        }

        /** Comes to look at a stage: what it shows of others is asked for. */
        void look(String stage) throws IOException {
            get(at + stage);
        }

        /** Whether a stage's page still asks others in the background, and so loads itself anew. */
        boolean asks(String stage) {
            return shown(stage + "?again=yes").contains("x-data=\"later\"");
        }

        /** Whether something is under way for it. */
        boolean busy() {
            return shown("now").contains("data-busy=\"true\"");
        }

        /** Whether a run is under way. */
        boolean running() {
            return shown("now").contains("data-running=\"true\"");
        }

        private String shown(String page) {
            try {
                return get(at + page);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private static void pause() throws IOException {
        try {
            Thread.sleep(1000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }
}
