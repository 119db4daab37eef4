package codrane.app.access;

import codrane.app.access.AccessView.AuthorityView;
import codrane.app.access.AccessView.GrantedView;
import codrane.app.access.AccessView.May;
import codrane.app.access.AccessView.PassView;
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
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;

/** Makes the page of the workshop's accounts, from what is known; what is old is asked for meanwhile. */
@Component
class AccessPages {
    private static final Duration JUST = Duration.ofSeconds(5);

    private final Access access;
    private final AccessStore store;
    private final AskAuthority asks;
    private final Accounts accounts;
    private final Interfaces interfaces;
    private final Sold sold;
    private final Clock clock;

    /** When it is, and where. */
    @Component
    record Clock(InstantSource time, ZoneId zone) {}

    /** What makers sell, and what the workshop has of it. */
    @Component
    record Sold(PackShelf packs, Passes passes) {}

    AccessPages(
            Access access,
            AccessStore store,
            AskAuthority asks,
            Accounts accounts,
            Interfaces interfaces,
            Sold sold,
            Clock clock) {
        this.access = access;
        this.store = store;
        this.asks = asks;
        this.accounts = accounts;
        this.interfaces = interfaces;
        this.sold = sold;
        this.clock = clock;
    }

    AccessView of(Role role, boolean again) {
        List<AuthorityView> authorities =
                access.authorities().stream().map(a -> view(a, role, again)).toList();
        return new AccessView(
                access.workshop(),
                authorities.stream().anyMatch(AuthorityView::asking),
                authorities,
                interfaces.all().stream().map(BenchInterface::name).toList(),
                passes(role),
                store.latest().entrySet().stream()
                        .map(e -> granted(e.getKey(), e.getValue()))
                        .toList());
    }

    private static GrantedView granted(Authorisation of, String vin) {
        String seen = of.believed()
                ? "yes"
                : of.provenAt().isPresent() ? "yes, then " + of.whyEnded() : "no: " + of.whyEnded();
        return new GrantedView(of, vin, seen);
    }

    private List<PassView> passes(Role role) {
        Map<String, Instant> held = sold.passes().all();
        Map<String, PassView> views = new TreeMap<>();
        for (Pack pack : sold.packs().all()) {
            List<Habits.Pass> offered = pack.equipment().habits().passes();
            if (offered.isEmpty()) continue;
            Optional<Instant> until = Optional.ofNullable(held.get(pack.service()));
            boolean runs = until.filter(u -> u.isAfter(clock.time().instant())).isPresent();
            String words = until.map(u -> (runs ? "runs until " : "ended ")
                            + u.minusSeconds(1).atZone(clock.zone()).toLocalDate())
                    .orElse("none is noted");
            views.put(
                    pack.maker(),
                    new PassView(
                            pack.maker(),
                            pack.service(),
                            offered.stream()
                                    .map(p -> p.days() + (p.days() == 1 ? " day " : " days ") + p.price() + " cr")
                                    .collect(Collectors.joining(", ")),
                            runs,
                            words,
                            Routes.allows(role, HttpMethod.POST, "/passes/" + pack.service())));
        }
        return List.copyOf(views.values());
    }

    private AuthorityView view(String id, Role role, boolean again) {
        boolean asking = asks.look(id, again, JUST);
        KnownAccount known = access.seen(id);
        WorkshopAccount account = known.account();
        List<String> candidates = accounts.technicians().stream()
                .filter(t -> !account.technicians().contains(t))
                .toList();
        boolean choosing = account.mailConfirmed();
        return new AuthorityView(
                id,
                account,
                asking,
                known.trouble(),
                step(account, clock.time().instant()),
                plan(account),
                choosing ? access.plans(id) : List.of(),
                candidates,
                new May(
                        Routes.allows(role, HttpMethod.POST, "/access/" + id + "/plan"),
                        Routes.allows(role, HttpMethod.POST, "/access/" + id + "/tools")));
    }

    private String plan(WorkshopAccount account) {
        if (account.plan().isEmpty()) return "none taken";
        String step = step(account, clock.time().instant());
        String until = account.planUntil()
                .map(u -> (step.equals("plan") ? ", ended " : ", until ") + Words.dayAndTime(u, clock.zone()))
                .orElse("");
        return account.plan().get() + (step.equals("wait") ? ", the workshop is being checked" : "") + until;
    }

    private static String step(WorkshopAccount account, Instant now) {
        if (account.askedAt().equals(Instant.EPOCH)) return "none"; // nobody knows yet
        if (!account.registered()) return "register";
        if (!account.mailConfirmed()) return "mail";
        if (!account.planHolds(now)) return "plan";
        return account.checkedAt().isPresent() ? "wait" : "none";
    }
}
