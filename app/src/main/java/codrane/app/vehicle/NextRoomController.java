package codrane.app.vehicle;

import codrane.app.CodraneSettings;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import tools.jackson.databind.JsonNode;

/** Demo only: the hand that switches the support unit and turns the key of a simulated vehicle. */
@Controller
class NextRoomController {
    private static final Set<String> ACTS = Set.of("unit-on", "unit-off", "key-off", "key-on", "key-running", "cut");

    private final CodraneSettings settings;
    private final Interfaces interfaces;

    NextRoomController(CodraneSettings settings, Interfaces interfaces) {
        this.settings = settings;
        this.interfaces = interfaces;
    }

    /** One simulated vehicle; {@code there} is false when its stand-in does not answer. */
    public record RoomView(String name, boolean there, String vehicle, boolean unitOn, String key) {}

    @GetMapping("/next-room")
    String room(Model model) {
        requireDemo();
        List<RoomView> rooms = new ArrayList<>();
        for (BenchInterface i : interfaces.all()) rooms.add(view(i));
        model.addAttribute("rooms", rooms);
        return "vehicle/next-room";
    }

    private static RoomView view(BenchInterface i) {
        Optional<JsonNode> look = i.control().look();
        return look.map(n -> new RoomView(
                        i.name(),
                        true,
                        n.path("pack").asString(),
                        n.path("supportUnit").asBoolean(),
                        n.path("key").asString()))
                .orElse(new RoomView(i.name(), false, "", false, ""));
    }

    @PostMapping("/next-room/{name}/{act}")
    String act(@PathVariable String name, @PathVariable String act) {
        requireDemo();
        BenchInterface i = interfaces.named(name).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (!ACTS.contains(act)) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        i.control().act("/" + act.replaceFirst("^unit-", "support-unit/").replaceFirst("^key-", "key/"));
        return "redirect:/next-room";
    }

    private void requireDemo() {
        if (!settings.demo()) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
