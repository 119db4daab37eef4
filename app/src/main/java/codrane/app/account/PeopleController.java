package codrane.app.account;

import codrane.app.account.Accounts.Qualified;
import codrane.app.account.SignInThrottle.Door;
import codrane.app.account.SignInThrottle.Try;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** People of the workshop, for the lead; and everybody's own account. */
@Controller
class PeopleController {
    private final Accounts accounts;
    private final SignInThrottle throttle;

    PeopleController(Accounts accounts, SignInThrottle throttle) {
        this.throttle = throttle;
        this.accounts = accounts;
    }

    /** @param shortest characters of a password */
    public record OwnView(String name, int shortest) {}

    /**
     * @param self who looks
     * @param shortest characters of a password
     */
    public record PeopleView(List<Accounts.Person> people, List<Role> roles, String self, int shortest) {
        static PeopleView of(List<Accounts.Person> people, String self) {
            return new PeopleView(people, List.of(Role.values()), self, Accounts.SHORTEST_PASSWORD);
        }
    }

    @GetMapping("/people")
    String people(Principal who, Model model) {
        model.addAttribute("view", PeopleView.of(accounts.people(), who.getName()));
        return "account/people";
    }

    @PostMapping("/people")
    String add(
            @RequestParam String name,
            @RequestParam String password,
            @RequestParam String role,
            Principal who,
            RedirectAttributes flash) {
        Optional<String> refusal = role(role)
                .map(r -> accounts.add(name.strip(), password, r, who.getName()))
                .orElse(Optional.of("Choose a role."));
        if (refusal.isPresent()) flash.addFlashAttribute("typedName", name);
        return then(refusal, name.strip() + " can sign in.", flash);
    }

    @PostMapping("/people/{name}/role")
    String role(@PathVariable String name, @RequestParam String role, Principal who, RedirectAttributes flash) {
        Optional<String> refusal =
                role(role).map(r -> accounts.role(name, r, who.getName())).orElse(Optional.of("Choose a role."));
        return then(refusal, "Changed. " + name + " signs in anew.", flash);
    }

    @PostMapping("/people/{name}/qualified")
    String qualified(
            @PathVariable String name,
            @RequestParam(defaultValue = "false") boolean licensed,
            @RequestParam(defaultValue = "false") boolean highVoltage,
            Principal who,
            RedirectAttributes flash) {
        Optional<String> refusal = accounts.qualified(name, new Qualified(licensed, highVoltage), who.getName());
        return then(refusal, "Noted. It counts where " + name + " is named from now on.", flash);
    }

    @PostMapping("/people/{name}/password")
    String reset(@PathVariable String name, @RequestParam String password, Principal who, RedirectAttributes flash) {
        return then(
                accounts.reset(name, password, who.getName()), "Changed. " + name + " signs in with it anew.", flash);
    }

    @PostMapping("/people/{name}/{able:enable|disable}")
    String able(@PathVariable String name, @PathVariable String able, Principal who, RedirectAttributes flash) {
        boolean disable = able.equals("disable");
        return then(
                accounts.disabled(name, disable, who.getName()),
                disable ? name + " can't sign in any more." : name + " can sign in again.",
                flash);
    }

    private static Optional<Role> role(String name) {
        return Arrays.stream(Role.values()).filter(r -> r.name().equals(name)).findFirst();
    }

    private static String then(Optional<String> refusal, String said, RedirectAttributes flash) {
        if (refusal.isPresent()) flash.addFlashAttribute("refused", refusal.get() + " Nothing was changed.");
        else flash.addFlashAttribute("said", said);
        return "redirect:/people";
    }

    @GetMapping("/account")
    String own(Principal who, Model model) {
        model.addAttribute("view", new OwnView(who.getName(), Accounts.SHORTEST_PASSWORD));
        return "account/own";
    }

    @PostMapping("/account/password")
    String password(
            @RequestParam String old,
            @RequestParam String fresh,
            @RequestParam String again,
            Principal who,
            HttpServletRequest request,
            RedirectAttributes flash) {
        Optional<String> refusal = fresh.equals(again)
                ? own(who.getName(), old, fresh, request)
                : Optional.of("The new password was typed in two ways.");
        if (refusal.isPresent()) flash.addFlashAttribute("refused", refusal.get() + " Nothing was changed.");
        else flash.addFlashAttribute("said", "Changed. Elsewhere you are signed out.");
        return "redirect:/account";
    }

    /** Guessing the old one is as slow as at the door: a session may be somebody else's. */
    private Optional<String> own(String name, String old, String fresh, HttpServletRequest request) {
        Try attempt = new Try(Door.OWN_PASSWORD, name, request.getRemoteAddr(), true);
        Duration wait = throttle.wait(attempt);
        if (!wait.isZero())
            return Optional.of("Too many wrong ones: wait " + (wait.toSeconds() + 1) + " s, then try again.");
        if (!accounts.knows(name, old)) {
            throttle.failed(attempt);
            return Optional.of("The password until now is not right.");
        }
        throttle.right(attempt);
        return accounts.own(name, fresh, request.getSession().getId());
    }
}
