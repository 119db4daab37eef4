package codrane.app.shelf;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class ShelfController {
    private final Shelf shelf;

    ShelfController(Shelf shelf) {
        this.shelf = shelf;
    }

    @GetMapping("/shelf")
    String shelf(Model model) {
        model.addAttribute("calibrations", shelf.newest());
        return "shelf/list";
    }
}
