package codrane.app.access;

import codrane.app.account.Accounts;
import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.packs.PackShelf;
import codrane.app.policy.Passes;
import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.access.WorkshopAccount;
import codrane.core.pack.Habits;
import codrane.core.pack.Pack;
import codrane.core.text.Words;
import codrane.core.tool.ToolLook;
import java.security.Principal;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
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
    private final AccessStore store;
    private final Accounts accounts;
    private final Interfaces interfaces;
    private final Passes passes;
    private final PackShelf packs;
    private final InstantSource time;
    private final ZoneId zone;

    /** When it is, and where. */
    @Component
    record Clock(InstantSource time, ZoneId zone) {}

    AccessController(
            Access access,
            AccessStore store,
            Accounts accounts,
            Interfaces interfaces,
            Passes passes,
            PackShelf packs,
            Clock clock) {
        this.passes = passes;
        this.packs = packs;
        time = clock.time();
        zone = clock.zone();
        this.access = access;
        this.store = store;
        this.accounts = accounts;
        this.interfaces = interfaces;
    }

    /**
     * One authority.
     *
     * @param step what the owner does next: register, mail, plan, wait or none
     * @param plan that was taken, in words
     * @param candidates accounts that are not technicians there yet
     */
    public record AuthorityView(
            String id,
            WorkshopAccount account,
            String trouble,
            String step,
            String plan,
            List<AuthorityClient.PlanOffer> plans,
            List<String> candidates,
            May may) {}

    /** @param lead whether this one does what is the lead's */
    public record May(boolean lead, boolean tools) {}

    /** What was granted for a vehicle. */
    public record GrantedView(Authorisation of, String vin, String seen) {}

    private static GrantedView granted(Authorisation of, String vin) {
        String seen = of.believed()
                ? "yes"
                : of.provenAt().isPresent() ? "yes, then " + of.whyEnded() : "no: " + of.whyEnded();
        return new GrantedView(of, vin, seen);
    }

    @GetMapping("/access")
    String list(Authentication who, Model model) {
        Role role = Role.of(who);
        model.addAttribute(
                "authorities",
                access.authorities().stream().map(a -> view(a, role)).toList());
        model.addAttribute(
                "models", interfaces.all().stream().map(BenchInterface::name).toList());
        model.addAttribute(
                "granted",
                store.latest().entrySet().stream()
                        .map(e -> granted(e.getKey(), e.getValue()))
                        .toList());
        model.addAttribute("passes", passes(role));
        model.addAttribute("workshop", access.workshop());
        return "access/list";
    }

    /** A maker's service, its passes, and until when the workshop's runs. */
    public record PassView(String maker, String service, String sold, boolean runs, String words, boolean may) {}

    private List<PassView> passes(Role role) {
        Map<String, Instant> held = passes.all();
        Map<String, PassView> views = new TreeMap<>();
        for (Pack pack : packs.all()) {
            List<Habits.Pass> sold = pack.equipment().habits().passes();
            if (sold.isEmpty()) continue;
            Optional<Instant> until = Optional.ofNullable(held.get(pack.service()));
            boolean runs = until.filter(u -> u.isAfter(time.instant())).isPresent();
            String words = until.map(u -> (runs ? "runs until " : "ended ")
                            + u.minusSeconds(1).atZone(zone).toLocalDate())
                    .orElse("none is noted");
            views.put(
                    pack.maker(),
                    new PassView(
                            pack.maker(),
                            pack.service(),
                            sold.stream()
                                    .map(p -> p.days() + (p.days() == 1 ? " day " : " days ") + p.price() + " cr")
                                    .collect(Collectors.joining(", ")),
                            runs,
                            words,
                            Routes.allows(role, HttpMethod.POST, "/passes/" + pack.service())));
        }
        return List.copyOf(views.values());
    }

    private AuthorityView view(String id, Role role) {
        KnownAccount known = access.refresh(id).orElseThrow();
        WorkshopAccount account = known.account();
        List<String> candidates = accounts.technicians().stream()
                .filter(t -> !account.technicians().contains(t))
                .toList();
        boolean choosing = account.mailConfirmed();
        return new AuthorityView(
                id,
                account,
                known.trouble(),
                step(account, time.instant()),
                plan(account),
                choosing ? access.plans(id) : List.of(),
                candidates,
                new May(
                        Routes.allows(role, HttpMethod.POST, "/access/" + id + "/plan"),
                        Routes.allows(role, HttpMethod.POST, "/access/" + id + "/tools")));
    }

    private String plan(WorkshopAccount account) {
        if (account.plan().isEmpty()) return "none taken";
        String step = step(account, time.instant());
        String until = account.planUntil()
                .map(u -> (step.equals("plan") ? ", ended " : ", until ") + Words.dayAndTime(u, zone))
                .orElse("");
        return account.plan().get() + (step.equals("wait") ? ", the workshop is being checked" : "") + until;
    }

    private static String step(WorkshopAccount account, Instant now) {
        if (!account.registered()) return "register";
        if (!account.mailConfirmed()) return "mail";
        if (!account.planHolds(now)) return "plan";
        return account.checkedAt().isPresent() ? "wait" : "none";
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
