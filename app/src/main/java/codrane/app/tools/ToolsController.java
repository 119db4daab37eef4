package codrane.app.tools;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.interfaces.BenchInterface;
import codrane.app.packs.PackShelf;
import codrane.core.pack.Pack;
import codrane.core.tool.ToolFacts;
import codrane.core.tool.ToolLook;
import codrane.core.tool.ToolReadiness;
import codrane.core.tool.ToolStep;
import java.security.Principal;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
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

    /** @param menus ways through the menus of other tools, by pack */
    public record ToolsView(List<ToolView> tools, Map<String, List<MenuMap.Entry>> menus) {}

    @GetMapping("/tools")
    String list(Authentication who, Model model) {
        Role role = Role.of(who);
        Map<String, List<MenuMap.Entry>> learned = new LinkedHashMap<>();
        for (Pack pack : packs.all()) {
            List<MenuMap.Entry> entries = menus.all(pack.id());
            if (!entries.isEmpty()) learned.put(pack.title(), entries);
        }
        List<ToolView> all = tools.all().stream().map(t -> view(t, role)).toList();
        model.addAttribute("view", new ToolsView(all, learned));
        return "tools/list";
    }

    private ToolView view(BenchInterface bench, Role role) {
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
        List<CheckView> checks = ToolReadiness.judgeAlone(facts, tools.today()).stream()
                .map(CheckView::of)
                .toList();
        return new ToolView(
                bench.name(),
                bench.tool().map(ToolLook::serial).orElse("not told"),
                noted.licenceUntil().map(Object::toString).orElse(""),
                checks,
                tools.setup(bench).map(ToolView.Setup::of),
                Routes.allows(role, HttpMethod.POST, "/tools/" + bench.name() + "/licence"));
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
