package codrane.app.job;

import codrane.core.plan.Stage;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Where an act leads: back to the page where it was pressed, or to where it, or its remedy, is done. */
public final class Led {
    private Led() {}

    /** @param stage key of the page to which it leads as a rule; "now" is the job's current stage */
    public static String to(Acted acted, long number, String stage, RedirectAttributes flash) {
        String to = switch (acted) {
            case Acted.Done(var led) -> led.map(Stage::key).orElse(stage);
            case Acted.Refused(String sentence, var remedy) -> {
                flash.addFlashAttribute("refused", sentence);
                yield remedy.map(Stage::key).orElse(stage);
            }
        };
        return "redirect:/jobs/" + number + "/" + to;
    }
}
