package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.RunTimes;
import codrane.app.newjob.JobIntake;
import codrane.app.newjob.NewJobForm;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The report of a job, on the page and as PDF. */
@ExtendWith(RunningApp.class)
class ReportTest {
    private static final String COMPLAINT = "The lift doesn’t move: “čeká” → nothing, <b>≥ 2 days</b>";
    private final App app;

    ReportTest(App app) {
        this.app = app;
    }

    @BeforeEach
    void vehicle() {
        TestWorld.act(app.world(), "/key/on");
    }

    @Test
    void pdf_ofAJobThatWrote_saysWhatThePageSays() throws Exception {
        JobSteps job = new JobSteps(app, taken()).toRun("LFT-312-B");
        Set<String> lift = Set.of("tail-lift");
        RunTimes times = app.bean(RunTimes.class);
        int seen = times.learned("brennick-lorne", lift, Long.MAX_VALUE)
                .get("tail-lift")
                .size();
        job.run();
        Until.so(() -> !job.facts().run().orElseThrow().running());
        job.scan();
        WebSession web = WebSession.signIn(app.url(), "tech");
        Document page = Jsoup.parse(web.get("/jobs/" + job.number + "/record"));
        HttpResponse<byte[]> file =
                web.file(page.select("a[href$=report.pdf]").first().attr("href"));
        assertThat(file.headers().firstValue("Content-Type")).contains("application/pdf");
        assertThat(file.headers().firstValue("Content-Disposition").orElse(""))
                .contains("codrane-job-" + job.number + ".pdf");
        assertThat(web.get("/jobs/" + job.number + "/run"))
                .contains("class=\"went\"", "Step by step, as expected and as it went");
        long run = job.facts().run().orElseThrow().id();
        assertThat(times.learned("brennick-lorne", lift, run).get("tail-lift"))
                .as("not foretold by itself")
                .hasSize(seen);
        assertThat(times.learned("brennick-lorne", lift, run + 1).get("tail-lift"))
                .hasSize(Math.min(9, seen + 1))
                .allSatisfy(t -> assertThat(t.transfer()).isPositive());
        List<String> paper = words(text(file.body()));
        assertThat(paper).contains(COMPLAINT.split(" ")).contains("LR3A46", "Yard,", "printed");
        assertThat(page.text()).contains("LFT-312-B, software 3.12, SHA-256");
        page.select(".d-print-none, svg").remove();
        List<String> said = words(page.select("article.report").text());
        assertThat(said).contains("3.12,").hasSizeGreaterThan(100);
        assertThat(paper).containsAll(said);
    }

    @Test
    void pdf_ofAJobThatHasOnlyBegun_isAReportToo() throws Exception {
        WebSession desk = WebSession.signIn(app.url(), "desk");
        HttpResponse<byte[]> file = desk.file("/jobs/" + taken() + "/report.pdf");
        assertThat(text(file.body())).contains("Complaint").doesNotContain("Changed in the vehicle");
        assertThat(desk.status("/jobs/1/report.pdf")).isEqualTo(404);
        assertThat(WebSession.visitor(app.url()).status("/jobs/2201/report.pdf"))
                .isEqualTo(302);
    }

    private long taken() {
        NewJobForm form = new NewJobForm("0BKLR3A46MN004127", COMPLAINT, "REPLACE_MODULE", "tail-lift", "SECOND_HAND");
        return ((JobIntake.Taken.Job) app.bean(JobIntake.class).take(form, "tech")).number();
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static List<String> words(String text) {
        return Arrays.asList(text.strip().split("\\s+"));
    }
}
