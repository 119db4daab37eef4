package codrane.app.access;

import codrane.app.account.Role;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.core.tool.ToolLook;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.Map;
import java.util.Optional;
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

/** The workshop's accounts at the authorities. */
@Controller
class AccessController {
    private final Access access;
    private final AccessPages pages;
    private final Interfaces interfaces;

    AccessController(Access access, AccessPages pages, Interfaces interfaces) {
        this.access = access;
        this.pages = pages;
        this.interfaces = interfaces;
    }

    @GetMapping("/access")
    String list(Authentication who, HttpServletRequest request, Model model) {
        boolean again = request.getParameter("again") != null || model.containsAttribute("refused");
        model.addAttribute("view", pages.of(Role.of(who), again));
        return "access/list";
    }

    @PostMapping("/access/{authority}/{act:register|mail|plan|technicians|tools-removed}")
    String act(
            @PathVariable String authority,
            @PathVariable String act,
            @RequestParam(defaultValue = "") String value,
            Principal who,
            RedirectAttributes flash) {
        String name = who.getName();
        Optional<String> refusal = switch (act) {
            case "register" -> access.register(authority, value, name);
            case "mail" -> access.confirm(authority, value, name);
            case "plan" -> access.plan(authority, value, name);
            case "technicians" -> access.addTechnician(authority, value, name);
            default -> access.removeTool(authority, value, name);
        };
        return then(refusal, flash);
    }

    /** @param serial empty: taken from the connected tool */
    @PostMapping("/access/{authority}/tools")
    String tool(
            @PathVariable String authority,
            @RequestParam(defaultValue = "") String model,
            @RequestParam(defaultValue = "") String serial,
            Principal who,
            RedirectAttributes flash) {
        BenchInterface bench =
                interfaces.named(model).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        String number = serial.isBlank() ? bench.tool().map(ToolLook::serial).orElse("") : serial;
        flash.addFlashAttribute("typed", Map.of(authority, serial));
        return then(access.addTool(authority, model, bench.serialMask(), number, who.getName()), flash);
    }

    private static String then(Optional<String> refusal, RedirectAttributes flash) {
        refusal.ifPresent(sentence -> flash.addFlashAttribute("refused", sentence));
        return "redirect:/access";
    }
}
