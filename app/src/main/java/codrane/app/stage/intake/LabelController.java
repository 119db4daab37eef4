package codrane.app.stage.intake;

import codrane.app.workshop.Uploaded;
import java.io.IOException;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;

/** A photo of a label, read for the field that asked for it. Nothing is kept. */
@Controller
class LabelController {
    private final LabelReader reader;

    LabelController(LabelReader reader) {
        this.reader = reader;
    }

    /** @param sentence why nothing was read; empty when something was */
    public record LabelView(List<String> texts, String sentence) {}

    @PostMapping("/label")
    @ResponseBody
    LabelView read(@RequestParam MultipartFile photo) throws IOException {
        return switch (reader.read(Uploaded.octets(photo))) {
            case LabelReader.Seen.Texts(List<String> texts) -> new LabelView(texts, "");
            case LabelReader.Seen.Nothing(String sentence) -> new LabelView(List.of(), sentence);
        };
    }
}
