package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Led;
import codrane.app.shelf.Scratch;
import java.io.IOException;
import java.security.Principal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Acts at Prepare: each leads back to where it was pressed. */
@Controller
@RequestMapping("/jobs/{number}")
class PrepareController {
    private static final int LONGEST_SHEET = 20_000;

    private final PrepareActs prepares;
    private final SheetActs sheets;
    private final NeedActs needs;
    private final LetterActs letters;
    private final Scratch scratch;

    PrepareController(PrepareActs prepares, SheetActs sheets, NeedActs needs, LetterActs letters, Scratch scratch) {
        this.scratch = scratch;
        this.prepares = prepares;
        this.sheets = sheets;
        this.needs = needs;
        this.letters = letters;
    }

    @PostMapping("/calibration")
    String calibration(
            @PathVariable long number,
            @RequestParam String id,
            @RequestParam(defaultValue = "") String cost,
            Principal who,
            RedirectAttributes flash) {
        return prepare(prepares.fetch(number, id, cost, who.getName()), number, flash);
    }

    @PostMapping("/calibration-upload")
    String upload(@PathVariable long number, @RequestParam MultipartFile file, Principal who, RedirectAttributes flash)
            throws IOException {
        Acted acted = scratch.with(file, content -> prepares.upload(number, content, who.getName()));
        return prepare(acted, number, flash);
    }

    @PostMapping("/line-sheet")
    String sheet(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return prepare(sheets.fetch(number, who.getName()), number, flash);
    }

    @PostMapping("/line-sheet-pasted")
    String pasted(
            @PathVariable long number,
            @RequestParam String text,
            @RequestParam(defaultValue = "") String second,
            @RequestParam(defaultValue = "") String day,
            Principal who,
            RedirectAttributes flash) {
        flash.addFlashAttribute("pasted", text.length() > LONGEST_SHEET ? "" : text);
        return prepare(sheets.paste(number, text, second, day, who.getName()), number, flash);
    }

    /** @param said here, asked or back */
    @PostMapping("/needs")
    String need(
            @PathVariable long number,
            @RequestParam String need,
            @RequestParam String said,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String detail,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = said.equals("back")
                ? needs.forget(number, need, who.getName())
                : needs.note(number, need, new NeedActs.Said(said.equals("here"), due, detail), who.getName());
        return prepare(acted, number, flash);
    }

    @PostMapping("/letters/draft/{module}")
    String draft(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return prepare(letters.draft(number, module, who.getName()), number, flash);
    }

    @PostMapping("/letters/sent/{module}")
    String send(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return prepare(letters.send(number, module, who.getName()), number, flash);
    }

    @PostMapping("/letters/look/{module}")
    String look(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return prepare(letters.look(number, module, who.getName()), number, flash);
    }

    private static String prepare(Acted acted, long number, RedirectAttributes flash) {
        return Led.to(acted, number, "prepare", flash);
    }
}
