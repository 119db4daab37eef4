package codrane.app.access;

import codrane.core.access.Authorisation;
import codrane.core.access.KnownAccount;
import codrane.core.access.WorkshopAccount;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what the authorities said, and what they granted. */
@Component
@Transactional
class AccessStore {
    private static final Limit MOST = Limit.of(20);

    private final AccountAtRepository accounts;
    private final AuthorisationRepository authorisations;

    AccessStore(AccountAtRepository accounts, AuthorisationRepository authorisations) {
        this.accounts = accounts;
        this.authorisations = authorisations;
    }

    void know(String authority, WorkshopAccount account) {
        AccountAtEntity entity = accounts.findById(authority).orElseGet(AccountAtEntity::new);
        entity.authority = authority;
        entity.askedAt = account.askedAt();
        entity.form = AccountStored.FORM;
        entity.content = AccountStored.write(account);
        entity.trouble = "";
        accounts.save(entity);
    }

    /** What was known stays, with the reason why it is old. */
    void trouble(String authority, String trouble) {
        accounts.findById(authority).ifPresent(a -> a.trouble = trouble);
    }

    @Transactional(readOnly = true)
    Optional<KnownAccount> known(String authority) {
        return accounts.findById(authority).map(AccessStore::account);
    }

    /** By authority. */
    @Transactional(readOnly = true)
    Map<String, KnownAccount> known() {
        Map<String, KnownAccount> known = new HashMap<>();
        accounts.findAll().forEach(a -> known.put(a.authority, account(a)));
        return known;
    }

    private static KnownAccount account(AccountAtEntity a) {
        return new KnownAccount(AccountStored.read(a.form, a.content, a.askedAt), a.trouble);
    }

    /** Which vehicle, in which job. */
    record Subject(long vehicleId, long jobId) {}

    void add(Subject subject, Authorisation granted) {
        AuthorisationEntity entity = new AuthorisationEntity();
        entity.vehicleId = subject.vehicleId();
        entity.jobId = subject.jobId();
        entity.authority = granted.authority();
        entity.tool = granted.tool();
        entity.technician = granted.technician();
        entity.grantedAt = granted.grantedAt();
        entity.until = granted.until();
        entity.provenAt = granted.provenAt().orElse(null);
        entity.endedAt = granted.endedAt().orElse(null);
        entity.whyEnded = granted.whyEnded();
        authorisations.save(entity);
    }

    void end(long vehicleId, String why, Instant now) {
        for (AuthorisationEntity entity : authorisations.believed(List.of(vehicleId))) {
            entity.endedAt = now;
            entity.whyEnded = why;
        }
    }

    @Transactional(readOnly = true)
    List<Authorisation> ofVehicle(long vehicleId) {
        return authorisations.findByVehicleIdOrderByGrantedAtDescIdDesc(vehicleId, MOST).stream()
                .map(AuthorisationEntity::authorisation)
                .toList();
    }

    /** The newest of each vehicle that may hold now. */
    @Transactional(readOnly = true)
    Map<Long, Authorisation> believed(Collection<Long> vehicleIds) {
        Map<Long, Authorisation> believed = new HashMap<>();
        for (AuthorisationEntity entity : authorisations.believed(vehicleIds))
            believed.putIfAbsent(entity.vehicleId, entity.authorisation());
        return believed;
    }

    /** An authorisation with the VIN of its vehicle. */
    record Granted(AuthorisationEntity entity, String vin) {}

    /** Those granted last, of all vehicles: VIN by authorisation. */
    @Transactional(readOnly = true)
    Map<Authorisation, String> latest() {
        Map<Authorisation, String> latest = new LinkedHashMap<>();
        authorisations.latest(MOST).forEach(g -> latest.put(g.entity().authorisation(), g.vin()));
        return latest;
    }
}
