package codrane.standin.service;

import static java.util.Objects.requireNonNull;

import codrane.core.gateway.AccessGrant;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.PublicKey;
import java.security.spec.X509EncodedKeySpec;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The counters of the makers' authorities: workshops register, confirm their mail, take a plan and wait for a check; then
 * technicians and tools are added and grants are given. What is asked of it comes as a path below {@code
 * /authority/ID} and parameters.
 */
public final class AuthorityOffice {
    private final Map<String, Counter> counters = new TreeMap<>();
    private final Mailbox mailbox = new Mailbox();
    private final Duration check;
    private final InstantSource time;

    /** What was answered: an HTTP status and an object, or nothing at all when the authority is out of order. */
    record Answer(int status, Object body) {
        static Answer good(Object body) {
            return new Answer(200, body);
        }

        static Answer refused(int status, String message) {
            return new Answer(status, Map.of("message", message));
        }
    }

    /** How an authority behaves. */
    private enum Mode {
        RIGHT,
        /** Does not answer. */
        DOWN,
        /** Grants what no gateway takes. */
        LIES
    }

    /** One authority. */
    private static final class Counter {
        final String title;
        final Authority authority = new Authority();
        final Authority forger = new Authority();
        final Map<String, WorkshopFile> workshops = new TreeMap<>();
        Mode mode = Mode.RIGHT;
        Duration grantFor = Duration.ofHours(1);

        Counter(String title) {
            this.title = title;
        }
    }

    /** @param check how long an authority takes to check a workshop */
    public AuthorityOffice(Duration check, InstantSource time) {
        this.check = check;
        this.time = time;
        counters.put("brennick-trade-desk", new Counter("Brennick Trade Desk"));
        counters.put("tolvane-signing-office", new Counter("Tolvane Signing Office"));
    }

    /** The authority that a vehicle's gateway trusts; without a gateway, one that nobody asks. */
    public PublicKey keyFor(Pack pack) {
        return pack.gateway()
                .map(g -> counters.get(g.authority()))
                .map(c -> c.authority.publicKey())
                .orElseGet(() -> new Authority().publicKey());
    }

    /** Pierhead Yard as the demo finds it: known to both, but not with everything that a job needs. */
    public synchronized void demo() {
        WorkshopFile desk =
                WorkshopFile.checked("Pierhead Yard", "yard@pierhead.example", "lead", WorkshopFile.Plan.THREE);
        desk.technicians().add("lead");
        desk.tools().put("PLV2-118204", "Plover");
        requireNonNull(counters.get("brennick-trade-desk")).workshops.put(desk.name(), desk);
        WorkshopFile signing =
                WorkshopFile.checked("Pierhead Yard", "yard@pierhead.example", "lead", WorkshopFile.Plan.THREE);
        signing.technicians().addAll(List.of("lead", "tech", "specialist"));
        signing.tools().put("DNK-4417-KE", "Dunnock");
        requireNonNull(counters.get("tolvane-signing-office")).workshops.put(signing.name(), signing);
    }

    /** Mails sent to a workshop, newest first. */
    synchronized List<Mailbox.Mail> mails() {
        return mailbox.newestFirst();
    }

    /** @return empty when the authority does not answer at all */
    synchronized Optional<Answer> ask(String method, List<String> path, Map<String, String> given) {
        Counter counter = path.isEmpty() ? null : counters.get(path.getFirst());
        if (counter == null) return Optional.of(Answer.refused(404, "There is no such authority."));
        List<String> rest = path.subList(1, path.size());
        if (rest.size() == 2 && rest.getFirst().equals("mode")) return Optional.of(mode(counter, rest.get(1), given));
        if (counter.mode == Mode.DOWN) return Optional.empty();
        return Optional.of(method.equals("GET") ? look(counter, rest) : act(counter, rest, given));
    }

    /** For tests and the next room: also begins the demo anew when {@code reset} is given. */
    private Answer mode(Counter counter, String mode, Map<String, String> given) {
        counter.mode = switch (mode) {
            case "down" -> Mode.DOWN;
            case "lies" -> Mode.LIES;
            default -> Mode.RIGHT;
        };
        if (given.containsKey("reset")) demo();
        if (given.containsKey("plan-ended")) counter.workshops.values().forEach(w -> w.endPlan(time.instant()));
        if (given.containsKey("grant-seconds"))
            counter.grantFor = Duration.ofSeconds(Long.parseLong(given.get("grant-seconds")));
        return Answer.good(Map.of("mode", mode));
    }

    private Answer look(Counter counter, List<String> path) {
        if (path.isEmpty()) return Answer.good(Map.of("title", counter.title, "plans", WorkshopFile.Plan.all()));
        WorkshopFile file = path.size() == 2 ? counter.workshops.get(path.get(1)) : null;
        return file == null
                ? Answer.refused(404, counter.title + " does not know this workshop.")
                : Answer.good(file.look(time.instant()));
    }

    private Answer act(Counter counter, List<String> path, Map<String, String> given) {
        if (path.size() == 1) return register(counter, given);
        WorkshopFile file = counter.workshops.get(path.get(1));
        if (file == null || path.size() != 3)
            return Answer.refused(404, counter.title + " does not know this workshop.");
        return switch (path.get(2)) {
            case "mail" -> told(file, file.confirm(text(given, "code")));
            case "plan" ->
                told(file, file.take(text(given, "plan"), time.instant().plus(check)));
            case "technicians" -> told(file, file.addTechnician(text(given, "technician")));
            case "tools" -> told(file, file.addTool(text(given, "model"), text(given, "serial"), time.instant()));
            case "tools-removed" -> told(file, file.removeTool(text(given, "serial")));
            case "grants" -> grant(counter, file, given);
            default -> Answer.refused(404, "There is no such counter.");
        };
    }

    private static String text(Map<String, String> given, String name) {
        return given.getOrDefault(name, "").strip();
    }

    private Answer told(WorkshopFile file, Optional<String> refusal) {
        return refusal.map(r -> Answer.refused(409, r)).orElseGet(() -> Answer.good(file.look(time.instant())));
    }

    private Answer register(Counter counter, Map<String, String> given) {
        String name = text(given, "workshop");
        String mail = text(given, "mail");
        if (name.isEmpty() || !mail.matches("[^@ ]+@[^@ ]+"))
            return Answer.refused(409, "A workshop's name and a mail address are needed.");
        if (counter.workshops.containsKey(name))
            return Answer.refused(409, "A workshop of this name is registered already.");
        WorkshopFile file = WorkshopFile.opened(name, mail, text(given, "owner"));
        counter.workshops.put(name, file);
        mailbox.send(
                mail,
                counter.title + ": confirm your mail",
                "Your code is " + file.code() + ". Type it where you registered.",
                time.instant());
        return Answer.good(file.look(time.instant()));
    }

    private Answer grant(Counter counter, WorkshopFile file, Map<String, String> given) {
        Instant now = time.instant();
        Optional<String> refusal = file.refusal(text(given, "technician"), text(given, "tool"), now);
        if (refusal.isPresent()) return Answer.refused(403, refusal.get());
        AccessGrant grant = new AccessGrant(
                text(given, "vin"),
                text(given, "tool"),
                file.name(),
                text(given, "technician"),
                now.minusSeconds(5), // clocks of vehicles are seldom right to the second
                now.plus(counter.grantFor));
        Authority signer = counter.mode == Mode.LIES ? counter.forger : counter.authority;
        Map<String, Object> body = new LinkedHashMap<>();
        Optional<SignedGrant> signed = sign(signer, grant, text(given, "holder"));
        if (signed.isEmpty()) return Answer.refused(409, "The key is no key.");
        body.put("grant", signed.get().encode().hex());
        body.put("until", grant.until().toString());
        return Answer.good(body);
    }

    /** A certificate when a holder's key came along, else a token. */
    private static Optional<SignedGrant> sign(Authority authority, AccessGrant grant, String holder) {
        if (holder.isEmpty()) return Optional.of(authority.token(grant));
        try {
            PublicKey key = KeyFactory.getInstance("EC")
                    .generatePublic(new X509EncodedKeySpec(Bytes.parse(holder).toArray()));
            return Optional.of(authority.certificate(grant, key));
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Mails that the authorities sent. */
    static final class Mailbox {
        private static final int MOST = 50;
        private final List<Mail> mails = new ArrayList<>();

        record Mail(String to, String subject, String text, String at) {}

        void send(String to, String subject, String text, Instant now) {
            mails.addFirst(new Mail(to, subject, text, now.toString()));
            if (mails.size() > MOST) mails.removeLast();
        }

        List<Mail> newestFirst() {
            return List.copyOf(mails);
        }
    }
}
