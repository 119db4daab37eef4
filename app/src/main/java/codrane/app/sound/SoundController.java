package codrane.app.sound;

import codrane.app.account.Role;
import codrane.app.job.JobDesk;
import codrane.app.job.Led;
import codrane.app.job.Viewer;
import codrane.app.workshop.Uploaded;
import codrane.core.job.JobState;
import codrane.core.plan.JobKind;
import codrane.core.response.FrequencyResponse.Band;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How the vehicle of a job sounds: responses measured and compared. */
@Controller
@RequestMapping("/jobs/{number}")
class SoundController {
    private final JobDesk desk;
    private final SoundActs sounds;

    SoundController(JobDesk desk, SoundActs sounds) {
        this.desk = desk;
        this.sounds = sounds;
    }

    @GetMapping("/sound")
    String sound(
            @PathVariable long number,
            @RequestParam(defaultValue = "speech") String band,
            Authentication who,
            Model model) {
        JobState state = desk.state(number);
        if (state.job().kind() != JobKind.CHOOSE_VARIANT)
            throw new ResponseStatusException(HttpStatus.NOT_FOUND, "This job is not about how the vehicle sounds.");
        Viewer viewer = new Viewer(who.getName(), Role.of(who), false);
        Band chosen = band.equals(Band.FULL.key()) ? Band.FULL : Band.SPEECH;
        model.addAttribute(
                "view",
                SoundView.of(
                        state,
                        new SoundView.Heard(
                                sounds.measured(state.job().id()),
                                sounds.seller(state.job().id())),
                        chosen,
                        viewer));
        return "sound/page";
    }

    @PostMapping("/sound")
    String measured(
            @PathVariable long number,
            @RequestParam String name,
            @RequestParam MultipartFile file,
            Principal who,
            RedirectAttributes flash)
            throws IOException {
        String text = new String(Uploaded.octets(file), StandardCharsets.UTF_8);
        return Led.to(sounds.measured(number, name, text, who.getName()), number, "sound", flash);
    }

    @PostMapping("/sound/listen")
    String listen(@PathVariable long number, @RequestParam String name, Principal who, RedirectAttributes flash) {
        return Led.to(sounds.listen(number, name, who.getName()), number, "sound", flash);
    }

    @PostMapping("/sound/seller")
    String seller(@PathVariable long number, @RequestParam String advice, Principal who, RedirectAttributes flash) {
        return Led.to(sounds.advised(number, advice, who.getName()), number, "sound", flash);
    }

    @PostMapping("/sound/forget")
    String forget(@PathVariable long number, @RequestParam String name, Principal who, RedirectAttributes flash) {
        return Led.to(sounds.forget(number, name, who.getName()), number, "sound", flash);
    }
}
