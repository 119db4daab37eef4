package codrane.app.stage.record;

import codrane.app.job.JobDesk;
import codrane.app.squares.CodePicture;
import codrane.core.job.OldPart;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** The label of the module that came out, to be printed. */
@Controller
class OldPartController {
    private final JobDesk desk;

    OldPartController(JobDesk desk) {
        this.desk = desk;
    }

    public record LabelView(long number, OldPart part, CodePicture code) {}

    @GetMapping("/jobs/{number}/old-part")
    String label(@PathVariable long number, Model model) {
        OldPart part = OldPart.of(desk.state(number))
                .orElseThrow(
                        () -> new ResponseStatusException(HttpStatus.NOT_FOUND, "No module came out in this job."));
        model.addAttribute("view", new LabelView(number, part, CodePicture.dataMatrix(part.code())));
        return "stage/record/label";
    }
}
