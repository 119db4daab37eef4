package codrane.app.policy;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.packs.MarketShelf;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.Times;
import codrane.core.plan.School;
import java.security.Principal;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How this workshop decides, and its passes to makers' services. */
@Controller
class PolicyController {
    /** Whether a part fits is a matter of one job and no policy. */
    private static final List<School> SCHOOLS = List.of(
            School.NEIGHBOURS,
            School.CODING_LINK,
            School.PROGRAMMING_LINK,
            School.CODING_VOLTAGE,
            School.PROGRAMMING_VOLTAGE,
            School.LONG_READ);

    private final Policies policies;
    private final Passes passes;
    private final MarketShelf markets;
    private final PackShelf packs;
    private final AuditTrail audit;
    private final InstantSource time;
    private final ZoneId zone;

    PolicyController(
            Policies policies,
            Passes passes,
            MarketShelf markets,
            PackShelf packs,
            AuditTrail audit,
            InstantSource time,
            ZoneId zone) {
        this.zone = zone;
        this.policies = policies;
        this.passes = passes;
        this.markets = markets;
        this.packs = packs;
        this.audit = audit;
        this.time = time;
    }

    @GetMapping("/policy")
    String policy(Authentication who, Model model) {
        boolean may = Routes.allows(Role.of(who), HttpMethod.POST, "/policy");
        model.addAttribute("view", PolicyView.of(SCHOOLS, policies.answers(), markets.rules(), may));
        return "policy/policy";
    }

    @PostMapping("/policy")
    String keep(@RequestParam Map<String, String> given, Principal who, RedirectAttributes flash) {
        for (School school : SCHOOLS) {
            String answer = given.get(school.key());
            if (answer == null) continue;
            if (!school.answers().contains(answer)) {
                flash.addFlashAttribute("refused", "There is no such answer. Nothing was changed.");
                return "redirect:/policy";
            }
        }
        Map<School, String> before = policies.answers();
        for (School school : SCHOOLS) {
            String answer = given.get(school.key());
            if (answer == null || answer.equals(before.getOrDefault(school, school.byDefault()))) continue;
            policies.answer(school, answer, who.getName());
            audit.record(who.getName(), "decided for the workshop", school.key(), answer);
        }
        flash.addFlashAttribute("said", "Kept. Plans made from now on follow these answers.");
        return "redirect:/policy";
    }

    @PostMapping("/passes/{service}")
    String pass(@PathVariable String service, @RequestParam String until, Principal who, RedirectAttributes flash) {
        boolean known = packs.all().stream().anyMatch(p -> p.service().equals(service));
        Optional<Instant> end = known ? end(until) : Optional.empty();
        if (end.isEmpty()) {
            flash.addFlashAttribute(
                    "refused", "Say until which day the pass runs, today or later. Nothing was changed.");
            return "redirect:/access";
        }
        passes.note(service, end.get(), who.getName());
        audit.record(who.getName(), "noted a pass", service, until);
        return "redirect:/access";
    }

    /** A pass runs to the end of its last day. */
    private Optional<Instant> end(String text) {
        return Times.dayFrom(LocalDate.ofInstant(time.instant(), zone), text)
                .map(day -> day.plusDays(1).atStartOfDay(zone).toInstant());
    }
}
