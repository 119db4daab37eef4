package codrane.app.account;

import codrane.app.records.AuditTrail;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The workshop's accounts: who there is, in which role, and whether they may sign in. */
@Service
@Transactional
public class Accounts implements UserDetailsService {
    static final int SHORTEST_PASSWORD = 10;
    /** More than this many octets are not looked at by the hash. */
    static final int LONGEST_PASSWORD = 72;

    private static final String NOBODY = "There is nobody of this name.";
    private static final Pattern NAME = Pattern.compile("\\p{L}[\\p{L}\\p{N}._-]{1,31}");

    private final AccountRepository accounts;
    private final PasswordEncoder encoder;
    private final FindByIndexNameSessionRepository<?> sessions;
    private final AuditTrail audit;

    Accounts(
            AccountRepository accounts,
            PasswordEncoder encoder,
            FindByIndexNameSessionRepository<?> sessions,
            AuditTrail audit) {
        this.accounts = accounts;
        this.encoder = encoder;
        this.sessions = sessions;
        this.audit = audit;
    }

    /** Somebody who has an account. */
    public record Person(String name, Role role, boolean disabled, Qualified qualified) {}

    /** What the law or the maker keeps to some. */
    public record Qualified(boolean licensed, boolean highVoltage) {
        private String words() {
            return "licensed work: " + (licensed ? "yes" : "no") + ", high voltage: " + (highVoltage ? "yes" : "no");
        }
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        AccountEntity account =
                accounts.findByName(name).orElseThrow(() -> new UsernameNotFoundException("no such account"));
        return User.withUsername(account.name)
                .password(account.password)
                .roles(account.role.name())
                .disabled(account.disabled)
                .build();
    }

    /** Names of those who may work on vehicles. */
    @Transactional(readOnly = true)
    public List<String> technicians() {
        Set<Role> workers = Set.of(Role.LEAD, Role.TECH, Role.SPECIALIST);
        return people().stream()
                .filter(p -> workers.contains(p.role()) && !p.disabled())
                .map(Person::name)
                .toList();
    }

    /** By name. */
    @Transactional(readOnly = true)
    public List<Person> people() {
        return accounts.findByOrderByName().stream()
                .map(a -> new Person(a.name, a.role, a.disabled, new Qualified(a.licensed, a.highVoltage)))
                .toList();
    }

    /** Whoever works on vehicles, a trainee included. */
    @Transactional(readOnly = true)
    public List<Person> hands() {
        return people().stream()
                .filter(p -> p.role() != Role.DESK && !p.disabled())
                .toList();
    }

    /** Whether there is no account at all. */
    @Transactional(readOnly = true)
    boolean nobody() {
        return accounts.count() == 0;
    }

    /** The hash under which a password is kept; a change of it ends what was remembered of the old one. */
    @Transactional(readOnly = true)
    Optional<String> secret(String name) {
        return accounts.findByName(name).map(a -> a.password);
    }

    /** Adds the account unless the name is taken: for what is set up without a person. */
    public void add(String name, String password, Role role) {
        if (!accounts.existsByNameIgnoreCase(name)) save(name, password, role);
    }

    private void save(String name, String password, Role role) {
        AccountEntity account = new AccountEntity();
        account.name = name;
        account.password = encoder.encode(password);
        account.role = role;
        accounts.save(account);
    }

    /** @return why not, as a sentence */
    Optional<String> add(String name, String password, Role role, String who) {
        if (!NAME.matcher(name).matches())
            return Optional.of("A name has 2 to 32 letters, digits, dots or dashes, and begins with a letter.");
        if (accounts.existsByNameIgnoreCase(name)) return Optional.of("There is a " + name + " already.");
        Optional<String> weak = weak(name, password);
        if (weak.isPresent()) return weak;
        save(name, password, role);
        audit.record(who, "added a person", name, role.title());
        return Optional.empty();
    }

    private static Optional<String> weak(String name, String password) {
        if (password.length() < SHORTEST_PASSWORD)
            return Optional.of("A password has at least " + SHORTEST_PASSWORD + " characters.");
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD)
            return Optional.of("A password has at most " + LONGEST_PASSWORD
                    + " octets: a letter with an accent takes two or more.");
        return password.equalsIgnoreCase(name) || password.chars().distinct().count() < 4
                ? Optional.of("That password is guessed at the first try: take another.")
                : Optional.empty();
    }

    /** @return why not, as a sentence */
    Optional<String> role(String name, Role role, String who) {
        return change(name, who, "changed a role", role.title(), account -> {
            if (role != Role.LEAD && lastLead(account)) return Optional.of(lastLead());
            account.role = role;
            return Optional.empty();
        });
    }

    /** @return why not, as a sentence */
    Optional<String> disabled(String name, boolean disabled, String who) {
        return change(name, who, disabled ? "disabled a person" : "enabled a person", "", account -> {
            if (disabled && lastLead(account)) return Optional.of(lastLead());
            account.disabled = disabled;
            return Optional.empty();
        });
    }

    /**
     * Nobody is signed out for this: it changes what is planned, not what one may press.
     *
     * @return why not, as a sentence
     */
    Optional<String> qualified(String name, Qualified qualified, String who) {
        Optional<AccountEntity> account = accounts.findByName(name);
        if (account.isEmpty()) return Optional.of(NOBODY);
        account.get().licensed = qualified.licensed();
        account.get().highVoltage = qualified.highVoltage();
        audit.record(who, "noted what somebody is qualified for", name, qualified.words());
        return Optional.empty();
    }

    /** Gives somebody a new password. */
    Optional<String> reset(String name, String password, String who) {
        return change(name, who, "reset a password", "", account -> {
            Optional<String> weak = weak(name, password);
            if (weak.isEmpty()) account.password = encoder.encode(password);
            return weak;
        });
    }

    /** Whoever's account it is is signed out everywhere: a session knows the role and the password of before. */
    private Optional<String> change(
            String name, String who, String what, String detail, Function<AccountEntity, Optional<String>> change) {
        List<AccountEntity> leads = accounts.lockLeads();
        Optional<AccountEntity> account = accounts.findByName(name);
        if (account.isEmpty() || leads.isEmpty()) return Optional.of(NOBODY);
        Optional<String> refusal = change.apply(account.get());
        if (refusal.isPresent()) return refusal;
        audit.record(who, what, name, detail);
        signOut(name, "");
        return Optional.empty();
    }

    boolean knows(String name, String password) {
        return encoder.matches(password, accounts.findByName(name).orElseThrow().password);
    }

    /** Somebody's own password, once they showed the old one. Other sessions of theirs end. */
    Optional<String> own(String name, String fresh, String session) {
        AccountEntity account = accounts.findByName(name).orElseThrow();
        Optional<String> weak = weak(name, fresh);
        if (weak.isPresent()) return weak;
        account.password = encoder.encode(fresh);
        audit.record(name, "changed the own password", name, "");
        signOut(name, session);
        return Optional.empty();
    }

    private void signOut(String name, String except) {
        sessions.findByPrincipalName(name).keySet().stream()
                .filter(id -> !id.equals(except))
                .forEach(sessions::deleteById);
    }

    private boolean lastLead(AccountEntity account) {
        List<AccountEntity> leads = accounts.lockLeads();
        return leads.size() == 1 && leads.getFirst().id.equals(account.id);
    }

    private static String lastLead() {
        return "This is the last lead: make somebody else one first.";
    }
}
