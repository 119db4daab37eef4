package codrane.app.stage.record;

import codrane.app.workshop.CodraneSettings;
import codrane.core.job.JobState;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.logging.Level;
import org.jsoup.Jsoup;
import org.jsoup.helper.W3CDom;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** A report as PDF: what the page says, in the same words, on paper. Nothing is loaded from anywhere for it. */
@Component
class ReportPaper {
    private static final String FOLDER = "paper/";
    private static final int BOLD = 700;
    private static final int NORMAL = 400;

    /** A typeface as the style sheet calls it. */
    private record Face(String file, String family, int weight) {}

    private static final List<Face> FACES = List.of(
            new Face("atkinson-hyperlegible-next-regular.ttf", "Next", NORMAL),
            new Face("atkinson-hyperlegible-next-bold.ttf", "Next", BOLD),
            new Face("atkinson-hyperlegible-mono-regular.ttf", "Mono", NORMAL));

    static {
        XRLog.listRegisteredLoggers().forEach(name -> XRLog.setLevel(name, Level.WARNING));
    }

    private final ITemplateEngine templates;
    private final String workshop;

    ReportPaper(ITemplateEngine templates, CodraneSettings settings) {
        this.templates = templates;
        workshop = settings.workshop();
    }

    byte[] pdf(JobState state, RecordView view) {
        Context words = new Context(Locale.UK);
        words.setVariable("view", view);
        words.setVariable("workshop", workshop);
        words.setVariable("vehicle", state.pack().maker() + " " + state.job().model());
        words.setVariable("vin", state.job().vin());
        words.setVariable("printed", state.now().dayAndTime(state.now().at()));
        Document page = Jsoup.parse(templates.process("stage/record/paper", words));
        page.select("svg").remove(); // marks stand beside their words
        page.head().appendElement("style").appendChild(new DataNode(style()));
        return written(page);
    }

    private static byte[] written(Document page) {
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useUriResolver((base, uri) -> null);
        for (Face face : FACES)
            builder.useFont(() -> open(face.file()), face.family(), face.weight(), FontStyle.NORMAL, true);
        builder.withW3cDocument(new W3CDom().fromJsoup(page), "");
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String style() {
        try (InputStream in = open("paper.css")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream open(String file) {
        try {
            return new ClassPathResource(FOLDER + file).getInputStream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
