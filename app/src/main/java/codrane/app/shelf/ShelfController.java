package codrane.app.shelf;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.packs.PackShelf;
import codrane.app.workshop.Uploaded;
import codrane.core.calibration.Shelved;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.security.Principal;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

@Controller
class ShelfController {
    private final Shelf shelf;
    private final PackShelf packs;
    private final FileImport imports;
    private final Scratch scratch;

    ShelfController(Shelf shelf, PackShelf packs, FileImport imports, Scratch scratch) {
        this.scratch = scratch;
        this.shelf = shelf;
        this.packs = packs;
        this.imports = imports;
    }

    @GetMapping("/shelf")
    String shelf(Authentication who, Model model) {
        Map<String, Pack> byId = packs.all().stream().collect(Collectors.toMap(Pack::id, pack -> pack));
        boolean may = Routes.allows(Role.of(who), HttpMethod.POST, "/shelf/files");
        model.addAttribute("view", ShelfView.of(shelf.newest(), byId, may));
        return "shelf/list";
    }

    /** @param manifest may be missing when a zip holds it */
    @PostMapping("/shelf/files")
    String take(
            @RequestParam MultipartFile file,
            @RequestParam(required = false) MultipartFile manifest,
            Principal who,
            RedirectAttributes flash)
            throws IOException {
        byte[] beside = manifest == null ? new byte[0] : Uploaded.octets(manifest);
        try {
            Shelved taken = scratch.with(file, content -> imports.take(content, beside, who.getName()));
            flash.addFlashAttribute("said", taken.manifest().title() + " is on the shelf.");
        } catch (FileImport.NotTakenException e) {
            flash.addFlashAttribute("refused", String.valueOf(e.getMessage()));
        }
        return "redirect:/shelf";
    }
}
