package codrane.app.access;

import codrane.app.access.AuthorityClient.Told;
import codrane.app.access.AuthorityRequests.PlanOffer;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.CodraneSettings;
import codrane.core.access.KnownAccount;
import codrane.core.access.WorkshopAccount;
import codrane.core.pack.Pack;
import codrane.core.part.SerialMask;
import codrane.core.text.Words;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** The workshop's accounts at the makers' authorities. What an authority says is kept with the time, never assumed. */
@Component
public class Access {
    private final AuthorityClient client;
    private final AccessStore store;
    private final PackShelf packs;
    private final AuditTrail audit;
    private final String workshop;
    private final Map<String, AuthorityClient.Counter> counters = new ConcurrentHashMap<>();
    private final Map<String, String> silent = new ConcurrentHashMap<>();
    private final Map<String, List<PlanOffer>> offers = new ConcurrentHashMap<>();

    Access(AuthorityClient client, AccessStore store, PackShelf packs, AuditTrail audit, CodraneSettings settings) {
        this.client = client;
        this.store = store;
        this.packs = packs;
        this.audit = audit;
        workshop = settings.workshop();
    }

    /** Names of the authorities that the packs name, in order. */
    List<String> authorities() {
        return packs.all().stream()
                .flatMap(p -> p.gateway().stream())
                .map(Pack.GatewayPolicy::authority)
                .distinct()
                .sorted()
                .toList();
    }

    /** As it was said last; empty when it was never asked. */
    public Optional<KnownAccount> known(String authority) {
        return store.known(authority);
    }

    /** As each authority said it last, by its name. */
    public Map<String, KnownAccount> known() {
        return store.known();
    }

    /** Asks the authority now. What can't be asked leaves what was known, with the reason. */
    public Optional<KnownAccount> refresh(String authority) {
        try {
            WorkshopAccount told = client.account(authority, counter(authority).title(), workshop);
            store.know(authority, told);
            if (told.mailConfirmed()) offers.put(authority, counter(authority).plans());
        } catch (AuthorityException e) {
            silent.put(authority, e.getMessage());
            if (store.known(authority).isPresent()) store.trouble(authority, Words.said(e));
        }
        return known(authority);
    }

    /** As it was said last; else that nothing was. */
    KnownAccount seen(String authority) {
        return known(authority)
                .orElseGet(() -> new KnownAccount(
                        WorkshopAccount.none(authority, Instant.EPOCH), silent.getOrDefault(authority, "")));
    }

    private AuthorityClient.Counter counter(String authority) {
        return counters.computeIfAbsent(authority, client::counter);
    }

    /** Plans that it offers, as it said last. */
    List<PlanOffer> plans(String authority) {
        return offers.getOrDefault(authority, List.of());
    }

    String workshop() {
        return workshop;
    }

    /** @return why not, as a sentence */
    Optional<String> register(String authority, String mail, String who) {
        Map<String, String> given = Map.of("workshop", workshop, "mail", mail, "owner", who);
        return told(authority, who, "registered the workshop", () -> client.register(authority, given));
    }

    Optional<String> confirm(String authority, String code, String who) {
        return told(authority, "mail", Map.of("code", code), who, "confirmed the mail");
    }

    Optional<String> plan(String authority, String plan, String who) {
        return told(authority, "plan", Map.of("plan", plan), who, "took the plan " + plan);
    }

    /** @param technician account name, under which grants are asked for */
    public Optional<String> addTechnician(String authority, String technician, String who) {
        return told(authority, "technicians", Map.of("technician", technician), who, "added " + technician);
    }

    /**
     * Registers a tool.
     *
     * @param mask form of the model's serial numbers: one that does not fit is not sent
     */
    public Optional<String> addTool(String authority, String model, SerialMask mask, String serial, String who) {
        SerialMask.Verdict verdict = mask.judge(serial);
        if (!verdict.valid()) {
            String meant = verdict.suggestions().isEmpty()
                    ? ""
                    : " Meant perhaps: " + String.join(", ", verdict.suggestions()) + ".";
            return Optional.of("The serial number is not one of a " + model + ". " + verdict.reason() + meant);
        }
        Map<String, String> given = new HashMap<>(Map.of("model", model, "serial", serial.strip()));
        return told(authority, "tools", given, who, "registered tool " + serial.strip());
    }

    Optional<String> removeTool(String authority, String serial, String who) {
        return told(authority, "tools-removed", Map.of("serial", serial), who, "removed tool " + serial);
    }

    private Optional<String> told(String authority, String counter, Map<String, String> given, String who, String act) {
        return told(authority, who, act, () -> client.act(authority, workshop, counter, given));
    }

    private Optional<String> told(String authority, String who, String act, Supplier<Told> request) {
        if (!authorities().contains(authority)) return Optional.of("There is no such authority.");
        try {
            Told told = request.get();
            refresh(authority);
            if (told instanceof Told.Refused(String sentence)) return Optional.of(sentence);
            audit.record(who, act, authority, "");
            return Optional.empty();
        } catch (AuthorityException e) {
            return Optional.of(Words.said(e));
        }
    }
}
