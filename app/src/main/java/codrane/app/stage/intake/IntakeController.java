package codrane.app.stage.intake;

import codrane.app.job.Acted;
import codrane.app.job.JobDesk;
import codrane.app.job.Led;
import codrane.app.photos.Photos;
import codrane.app.workshop.Uploaded;
import codrane.core.job.IntakeNotes.OldModule;
import codrane.core.job.WantedForm;
import java.io.IOException;
import java.security.Principal;
import java.time.Duration;
import java.util.Objects;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Forms of Intake. What was typed comes back when it was refused. */
@Controller
@RequestMapping("/jobs/{number}")
class IntakeController {
    private final IntakeActs acts;
    private final OldDataActs oldData;
    private final CorrectActs corrections;
    private final JobDesk desk;
    private final Photos photos;

    IntakeController(IntakeActs acts, OldDataActs oldData, CorrectActs corrections, JobDesk desk, Photos photos) {
        this.acts = acts;
        this.oldData = oldData;
        this.corrections = corrections;
        this.desk = desk;
        this.photos = photos;
    }

    @PostMapping("/notes")
    String note(@PathVariable long number, @ModelAttribute IntakeForm form, Principal who, RedirectAttributes flash) {
        Acted acted = acts.note(number, form, who.getName());
        if (acted instanceof Acted.Refused) flash.addFlashAttribute("typed", form);
        else flash.addFlashAttribute("said", "Noted.");
        return Led.to(acted, number, "intake", flash);
    }

    @PostMapping("/correct")
    String correct(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String complaint,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String replaced,
            @RequestParam(defaultValue = "") String origin,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = corrections.correct(number, new WantedForm(complaint, kind, replaced, origin), who.getName());
        if (acted instanceof Acted.Done) flash.addFlashAttribute("said", "Corrected.");
        return Led.to(acted, number, "intake", flash);
    }

    @PostMapping("/cancel")
    String cancel(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(corrections.cancel(number, why, who.getName()), number, "record", flash);
    }

    @PostMapping("/old-module/{where:still-in|out}")
    String oldModule(@PathVariable long number, @PathVariable String where, Principal who, RedirectAttributes flash) {
        OldModule module = where.equals("out") ? OldModule.OUT : OldModule.STILL_IN;
        return Led.to(acts.oldModule(number, module, who.getName()), number, "now", flash);
    }

    @PostMapping("/old-module-data")
    String oldData(@PathVariable long number, @RequestParam MultipartFile file, Principal who, RedirectAttributes flash)
            throws IOException {
        String name = Objects.requireNonNullElse(file.getOriginalFilename(), "a file");
        Acted acted = oldData.find(number, name, Uploaded.octets(file), who.getName());
        if (acted instanceof Acted.Done) flash.addFlashAttribute("said", "Noted, with where it stands.");
        return Led.to(acted, number, "intake", flash);
    }

    @PostMapping("/variant")
    String variant(@PathVariable long number, @RequestParam String variant, Principal who, RedirectAttributes flash) {
        return Led.to(acts.variant(number, variant, who.getName()), number, "now", flash);
    }

    @PostMapping("/photos")
    String photo(
            @PathVariable long number,
            @RequestParam MultipartFile photo,
            @RequestParam(defaultValue = "") String caption,
            Principal who,
            RedirectAttributes flash)
            throws IOException {
        String back = caption.equals(Photos.SHEET) ? "prepare" : "intake"; // where it is typed from
        return Led.to(acts.photo(number, Uploaded.octets(photo), caption, who.getName()), number, back, flash);
    }

    @GetMapping("/photos/{id}")
    ResponseEntity<byte[]> photo(@PathVariable long number, @PathVariable long id) {
        byte[] content = photos.content(desk.state(number).job().id(), id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(content);
    }
}
