package codrane.app.shelf;

import codrane.core.calibration.Shelved;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class ShelfController {
    private final Shelf shelf;

    ShelfController(Shelf shelf) {
        this.shelf = shelf;
    }

    /** @param calibrations the newest first */
    public record ShelfView(List<Shelved> calibrations) {}

    @GetMapping("/shelf")
    String shelf(Model model) {
        model.addAttribute("view", new ShelfView(shelf.newest()));
        return "shelf/list";
    }
}
