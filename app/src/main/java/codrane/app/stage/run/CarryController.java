package codrane.app.stage.run;

import codrane.app.job.JobDesk;
import codrane.app.squares.CodePicture;
import codrane.core.job.CarryCard;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** What is carried to another tool: to be printed, copied, or read by its camera. */
@Controller
class CarryController {
    private final JobDesk desk;

    CarryController(JobDesk desk) {
        this.desk = desk;
    }

    public record CardView(long number, CarryCard card, CodePicture code) {}

    @GetMapping("/jobs/{number}/carry")
    String card(@PathVariable long number, Model model) {
        CarryCard card = CarryCard.of(desk.state(number))
                .orElseThrow(() ->
                        new ResponseStatusException(HttpStatus.NOT_FOUND, "Nothing of this job is for another tool."));
        model.addAttribute("view", new CardView(number, card, CodePicture.dataMatrix(card.code())));
        return "stage/run/carry";
    }
}
