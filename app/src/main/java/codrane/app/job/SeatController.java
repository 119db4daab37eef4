package codrane.app.job;

import codrane.app.squares.CodePicture;
import codrane.core.job.JobState;
import codrane.core.job.act.NextAct;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The seat side of a job: what a phone on the driver's seat shows. Nothing is pressed there. */
@Controller
class SeatController {
    private final JobDesk desk;

    SeatController(JobDesk desk) {
        this.desk = desk;
    }

    /**
     * @param title what is to be done now
     * @param low volts below which it warns
     * @param high volts above which it warns
     * @param code this page's address, to be opened on a phone
     */
    public record SeatView(
            long number, String vin, String title, String why, String stop, double low, double high, CodePicture code) {
        /** Whether only this computer finds the address. */
        public boolean loopback() {
            return code.text().contains("//127.")
                    || code.text().contains("//localhost")
                    || code.text().contains("//[::1]");
        }
    }

    @GetMapping("/jobs/{number}/seat")
    String seat(@PathVariable long number, Authentication who, Model model) {
        JobState state = desk.state(number);
        NextAct next = NextActs.of(state, HoldRules.progress(state).current(), who.getName());
        model.addAttribute(
                "view",
                new SeatView(
                        number,
                        state.job().vin().grouped(),
                        next.title(),
                        next.why(),
                        next.stop(),
                        state.window().hold(),
                        state.window().upper(),
                        CodePicture.qr(ServletUriComponentsBuilder.fromCurrentRequestUri()
                                .toUriString())));
        return "job/seat";
    }
}
