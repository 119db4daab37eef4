package codrane.app.tools;

import codrane.app.decide.MenuMap;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.PackShelf;
import codrane.core.pack.Pack;
import codrane.core.tool.Check;
import codrane.core.tool.ToolFacts;
import codrane.core.tool.ToolLook;
import codrane.core.tool.ToolReadiness;
import codrane.core.tool.ToolSetup;
import codrane.core.tool.ToolStep;
import java.security.Principal;
import java.util.Arrays;
import java.util.LinkedHashMap;
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

/** The workshop's interfaces. */
@Controller
class ToolsController {
    private final Tools tools;
    private final MenuMap menus;
    private final PackShelf packs;

    ToolsController(Tools tools, MenuMap menus, PackShelf packs) {
        this.tools = tools;
        this.menus = menus;
        this.packs = packs;
    }

    /** One interface. */
    public record ToolView(String name, String serial, String licence, List<Check> checks, Optional<ToolSetup> setup) {}

    @GetMapping("/tools")
    String list(Model model) {
        model.addAttribute("tools", tools.all().stream().map(this::view).toList());
        Map<String, List<MenuMap.Entry>> learned = new LinkedHashMap<>();
        for (Pack pack : packs.all()) {
            List<MenuMap.Entry> entries = menus.all(pack.id());
            if (!entries.isEmpty()) learned.put(pack.title(), entries);
        }
        model.addAttribute("menus", learned);
        return "tools/list";
    }

    private ToolView view(BenchInterface bench) {
        tools.refresh(bench);
        ToolStore.Noted noted = tools.noted(bench.name());
        ToolFacts facts = new ToolFacts(
                bench.name(),
                bench.tool().map(t -> Tools.told(bench, t)),
                bench.wanted(),
                noted.licenceUntil(),
                Optional.empty(),
                List.of("cable of the vehicle’s model year"),
                true,
                false,
                noted.answeredAt());
        List<Check> checks = ToolReadiness.judge(facts, tools.today()).stream()
                .filter(c -> !c.title().equals("Cable"))
                .toList();
        return new ToolView(
                bench.name(),
                bench.tool().map(ToolLook::serial).orElse("not told"),
                noted.licenceUntil().map(Object::toString).orElse(""),
                checks,
                tools.setup(bench));
    }

    @PostMapping("/tools/{name}/setup")
    String begin(@PathVariable String name, Principal who) {
        tools.begin(bench(name).name(), who.getName());
        return "redirect:/tools";
    }

    @PostMapping("/tools/{name}/step")
    String step(@PathVariable String name, @RequestParam String step, Principal who, RedirectAttributes flash) {
        ToolStep known = Arrays.stream(ToolStep.values())
                .filter(s -> s.key().equals(step))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return then(tools.done(bench(name), known, who.getName()), flash);
    }

    @PostMapping("/tools/{name}/licence")
    String licence(@PathVariable String name, @RequestParam String until, Principal who, RedirectAttributes flash) {
        return then(tools.licence(bench(name).name(), until, who.getName()), flash);
    }

    @PostMapping("/tools/{name}/register")
    String register(@PathVariable String name, Principal who, RedirectAttributes flash) {
        return then(tools.register(bench(name), who.getName()), flash);
    }

    private BenchInterface bench(String name) {
        return tools.all().stream()
                .filter(b -> b.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static String then(Optional<String> refusal, RedirectAttributes flash) {
        refusal.ifPresent(sentence -> flash.addFlashAttribute("refused", sentence));
        return "redirect:/tools";
    }
}
