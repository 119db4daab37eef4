package codrane.app.demo;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.workshop.CodraneSettings;
import codrane.core.tool.ToolLook;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.JsonNode;

/** Demo only: the hand at a simulated vehicle. It turns the key, opens doors, switches the support unit, breaks things. */
@Controller
class NextRoomController {
    /** What a hand does, by its name in the address: where the control port has it. */
    private static final Map<String, String> ACTS = Map.ofEntries(
            Map.entry("unit-on", "/support-unit/on"),
            Map.entry("unit-off", "/support-unit/off"),
            Map.entry("key-off", "/key/off"),
            Map.entry("key-on", "/key/on"),
            Map.entry("key-running", "/key/running"),
            Map.entry("doors-open", "/doors/open"),
            Map.entry("doors-closed", "/doors/closed"),
            Map.entry("tailgate-open", "/tailgate/open"),
            Map.entry("tailgate-closed", "/tailgate/closed"),
            Map.entry("gear-park", "/gear/park"),
            Map.entry("gear-drive", "/gear/drive"),
            Map.entry("windows-open", "/windows/open"),
            Map.entry("windows-closed", "/windows/closed"),
            Map.entry("start-inhibited", "/start/inhibited"),
            Map.entry("start-released", "/start/released"),
            Map.entry("key-learned", "/keys/learned"),
            Map.entry("cut", "/cut"),
            Map.entry("tool-unboxed", "/tool/unboxed"),
            Map.entry("tool-updated", "/tool/updated"),
            Map.entry("wired", "/wired"),
            Map.entry("wireless", "/wireless"),
            Map.entry("mend", "/faults/clear"));

    private static final ToolLook NO_TOOL = new ToolLook("", "", "", "", false, 0, "", Map.of());

    private final CodraneSettings settings;
    private final Interfaces interfaces;
    private final NextRoomServices services;

    NextRoomController(CodraneSettings settings, Interfaces interfaces, NextRoomServices services) {
        this.settings = settings;
        this.interfaces = interfaces;
        this.services = services;
    }

    /** One simulated vehicle; {@code there} is false when its stand-in does not answer. */
    public record RoomView(
            String name,
            boolean there,
            String vehicle,
            String state,
            List<Act> acts,
            List<String> modules,
            Map<String, String> faults,
            ToolLook tool) {}

    /** @param path last part of the address */
    public record Act(String path, String label) {}

    /** All that is in the next room. */
    public record NextRoomView(List<RoomView> rooms, List<NextRoomServices.Mail> mails, List<String> authorities) {}

    @GetMapping("/next-room")
    String room(Model model) {
        requireDemo();
        List<RoomView> rooms = new ArrayList<>();
        for (BenchInterface i : interfaces.all()) rooms.add(view(i));
        model.addAttribute("view", new NextRoomView(rooms, services.mails(), services.authorities()));
        return "vehicle/next-room";
    }

    private static RoomView view(BenchInterface i) {
        return i.control()
                .look()
                .map(look -> new RoomView(
                        i.name(),
                        true,
                        look.path("title").asString(),
                        state(look),
                        acts(look, i.tool().orElse(NO_TOOL)),
                        modules(look),
                        i.control().faults(),
                        i.tool().orElse(NO_TOOL)))
                .orElse(new RoomView(i.name(), false, "", "", List.of(), List.of(), Map.of(), NO_TOOL));
    }

    private static String state(JsonNode look) {
        boolean asleep = look.path("asleep").asBoolean();
        return "Support unit " + (look.path("supportUnit").asBoolean() ? "on" : "off")
                + ", key " + look.path("key").asString()
                + ", doors " + look.path("doors").asString()
                + ", tailgate " + look.path("tailgate").asString()
                + ", windows " + look.path("windows").asString()
                + ", gear in " + look.path("gear").asString()
                + ", start " + look.path("start").asString()
                + (asleep ? "; the vehicle sleeps." : ".")
                + shows(look);
    }

    private static String shows(JsonNode look) {
        List<String> shows = new ArrayList<>();
        look.path("shows").forEach(text -> shows.add(text.asString()));
        return shows.isEmpty() ? "" : " To be seen: " + String.join(", ", shows) + ".";
    }

    private static List<Act> acts(JsonNode look, ToolLook tool) {
        List<Act> acts = new ArrayList<>();
        boolean unit = look.path("supportUnit").asBoolean();
        acts.add(new Act(unit ? "unit-off" : "unit-on", "Switch the support unit " + (unit ? "off" : "on")));
        String key = look.path("key").asString();
        if (!key.equals("off")) acts.add(new Act("key-off", "Turn the key off"));
        if (!key.equals("on")) acts.add(new Act("key-on", "Turn the key on"));
        if (!key.equals("running")) acts.add(new Act("key-running", "Start the engine"));
        acts.add(toggle(look, "doors", "closed", "open", "Close the doors", "Open a door"));
        acts.add(toggle(look, "tailgate", "closed", "open", "Close the tailgate", "Open the tailgate"));
        acts.add(toggle(look, "windows", "closed", "open", "Close the windows", "Open a window"));
        acts.add(toggle(look, "gear", "park", "drive", "Put it in park", "Take it out of park"));
        acts.add(toggle(look, "start", "released", "inhibited", "Release the start", "Inhibit the start"));
        if (look.has("keys")) acts.add(new Act("key-learned", "Learn a key with another tool"));
        acts.add(new Act("cut", "Pull the cable for a moment"));
        acts.add(
                tool.wireless()
                        ? new Act("wired", "Connect the interface by cable")
                        : new Act("wireless", "Connect the interface wirelessly"));
        acts.add(new Act("tool-unboxed", "Take a new interface out of its box"));
        acts.add(new Act("tool-updated", "Update the interface's firmware"));
        acts.add(new Act("mend", "Mend what was broken"));
        return acts;
    }

    private static Act toggle(JsonNode look, String what, String one, String other, String toOne, String toOther) {
        boolean isOne = look.path(what).asString().equals(one);
        return new Act(what + "-" + (isOne ? other : one), isOne ? toOther : toOne);
    }

    private static List<String> modules(JsonNode look) {
        List<String> modules = new ArrayList<>();
        look.path("modules").propertyNames().forEach(modules::add);
        return modules;
    }

    @PostMapping("/next-room/{name}/{act}")
    String act(@PathVariable String name, @PathVariable String act) {
        BenchInterface i = named(name);
        String path =
                Optional.ofNullable(ACTS.get(act)).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        i.control().act(path);
        return "redirect:/next-room";
    }

    /** Plugs the interface into another vehicle. */
    @PostMapping("/next-room/{name}/plug")
    String plug(@PathVariable String name, @RequestParam String vin) {
        BenchInterface i = named(name);
        boolean known = i.tool().filter(t -> t.vehicles().containsKey(vin)).isPresent();
        if (!known) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        i.control().act("/plug/" + vin);
        return "redirect:/next-room";
    }

    /** Another workshop updates a module and does not look after what was set in it. */
    @PostMapping("/next-room/{name}/updated")
    String updated(@PathVariable String name, @RequestParam String module, RedirectAttributes flash) {
        BenchInterface i = named(name);
        boolean done = module.matches("[a-z-]{1,40}")
                && i.control().act("/updated/" + module).isPresent();
        flash.addFlashAttribute(
                done ? "said" : "refused",
                done ? "Done: " + module + " was updated elsewhere" : "There is no such module.");
        return "redirect:/next-room";
    }

    /** @param fault kind, then what it is about */
    @PostMapping("/next-room/{name}/fault")
    String fault(
            @PathVariable String name,
            @RequestParam String fault,
            @RequestParam(defaultValue = "") String module,
            @RequestParam(defaultValue = "") String values,
            RedirectAttributes flash) {
        BenchInterface i = named(name);
        String about = List.of(module.isBlank() ? "" : "module=" + module.strip(), values.strip()).stream()
                .filter(part -> !part.isEmpty())
                .reduce((a, b) -> a + "," + b)
                .orElse("");
        String spec = about.isEmpty() ? fault : fault + ":" + about;
        i.control()
                .bring(spec)
                .ifPresentOrElse(
                        reason -> flash.addFlashAttribute("refused", reason),
                        () -> flash.addFlashAttribute("said", "Done: " + spec));
        return "redirect:/next-room";
    }

    @PostMapping("/next-room/authority/{authority}/{mode:down|lies|right}")
    String authority(@PathVariable String authority, @PathVariable String mode) {
        requireDemo();
        if (!services.authorities().contains(authority)) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        services.mode(authority, mode);
        return "redirect:/next-room";
    }

    private BenchInterface named(String name) {
        requireDemo();
        return interfaces.named(name).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private void requireDemo() {
        if (!settings.demo()) throw new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
