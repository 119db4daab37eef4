package codrane.app.gallery;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.server.ResponseStatusException;

/** The gallery of fragments: {@code CODRANE_GALLERY=true ./codrane demo}, then {@code /gallery}. */
@Controller
class GalleryController {
    private final boolean open;

    GalleryController(@Value("${codrane.gallery}") boolean open) {
        this.open = open;
    }

    @GetMapping("/gallery")
    String gallery(Model model) {
        if (!open) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        model.addAttribute("view", GalleryView.samples());
        return "gallery/gallery";
    }
}
