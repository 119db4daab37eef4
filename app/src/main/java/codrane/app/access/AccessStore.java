package codrane.app.access;

import codrane.core.access.Authorisation;
import codrane.core.access.WorkshopAccount;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.ObjectMapper;

/** Keeps what the authorities said, and what they granted. */
@Component
@Transactional
class AccessStore {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST = 20;

    private final JdbcClient jdbc;

    AccessStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** An account without the types that JSON does not have. */
    private record Stored(
            String authority,
            boolean registered,
            boolean mailConfirmed,
            String plan,
            String planUntil,
            int toolLimit,
            String checkedAt,
            List<String> technicians,
            LinkedHashMap<String, String> tools) {}

    /** @param trouble why it could not be asked the last time; empty when it was */
    record Known(WorkshopAccount account, String trouble) {}

    void know(String authority, WorkshopAccount account) {
        Stored stored = new Stored(
                account.authority(),
                account.registered(),
                account.mailConfirmed(),
                account.plan().orElse(""),
                account.planUntil().map(Instant::toString).orElse(""),
                account.toolLimit(),
                account.checkedAt().map(Instant::toString).orElse(""),
                account.technicians(),
                new LinkedHashMap<>(account.tools()));
        jdbc.sql("insert into authority_account (authority, asked_at, content, trouble) values (?, ?, ?, '')"
                        + " on conflict (authority) do update set asked_at = excluded.asked_at,"
                        + " content = excluded.content, trouble = ''")
                .params(authority, Timestamp.from(account.askedAt()), JSON.writeValueAsString(stored))
                .update();
    }

    /** What was known stays, with the reason why it is old. */
    void trouble(String authority, String trouble) {
        jdbc.sql("update authority_account set trouble = ? where authority = ?")
                .params(trouble, authority)
                .update();
    }

    @Transactional(readOnly = true)
    Optional<Known> known(String authority) {
        return jdbc.sql("select asked_at, content, trouble from authority_account where authority = ?")
                .param(authority)
                .query((r, n) -> new Known(
                        account(
                                r.getString("content"),
                                r.getTimestamp("asked_at").toInstant()),
                        r.getString("trouble")))
                .optional();
    }

    private static WorkshopAccount account(String content, Instant askedAt) {
        Stored s = JSON.readValue(content, Stored.class);
        return new WorkshopAccount(
                s.authority(),
                s.registered(),
                s.mailConfirmed(),
                Optional.of(s.plan()).filter(p -> !p.isEmpty()),
                Optional.of(s.planUntil()).filter(t -> !t.isEmpty()).map(Instant::parse),
                s.toolLimit(),
                Optional.of(s.checkedAt()).filter(t -> !t.isEmpty()).map(Instant::parse),
                s.technicians(),
                s.tools(),
                askedAt);
    }

    /** Which vehicle, in which job. */
    record Subject(long vehicleId, long jobId) {}

    void add(Subject subject, Authorisation granted) {
        jdbc.sql(
                        "insert into authorisation (vehicle_id, job_id, authority, tool, technician, granted_at, until, proven_at,"
                                + " ended_at, why_ended) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(Arrays.asList(
                        subject.vehicleId(),
                        subject.jobId(),
                        granted.authority(),
                        granted.tool(),
                        granted.technician(),
                        Timestamp.from(granted.grantedAt()),
                        Timestamp.from(granted.until()),
                        granted.provenAt().map(Timestamp::from).orElse(null),
                        granted.endedAt().map(Timestamp::from).orElse(null),
                        granted.whyEnded()))
                .update();
    }

    void end(long vehicleId, String why, Instant now) {
        jdbc.sql("update authorisation set ended_at = ?, why_ended = ? where vehicle_id = ? and ended_at is null"
                        + " and proven_at is not null")
                .params(Timestamp.from(now), why, vehicleId)
                .update();
    }

    @Transactional(readOnly = true)
    List<Authorisation> ofVehicle(long vehicleId) {
        return jdbc.sql("select * from authorisation where vehicle_id = ? order by granted_at desc, id desc limit "
                        + MOST)
                .param(vehicleId)
                .query((r, n) -> authorisation(r))
                .list();
    }

    /** Those granted last, of all vehicles: VIN by authorisation. */
    @Transactional(readOnly = true)
    Map<Authorisation, String> latest() {
        Map<Authorisation, String> latest = new LinkedHashMap<>();
        jdbc.sql("select a.*, v.vin from authorisation a join vehicle v on v.id = a.vehicle_id"
                        + " order by a.granted_at desc, a.id desc limit " + MOST)
                .query((ResultSet r) -> {
                    latest.put(authorisation(r), r.getString("vin"));
                });
        return latest;
    }

    private static Authorisation authorisation(ResultSet r) throws SQLException {
        return new Authorisation(
                r.getLong("id"),
                r.getString("authority"),
                r.getString("tool"),
                r.getString("technician"),
                r.getTimestamp("granted_at").toInstant(),
                r.getTimestamp("until").toInstant(),
                Optional.ofNullable(r.getTimestamp("proven_at")).map(Timestamp::toInstant),
                Optional.ofNullable(r.getTimestamp("ended_at")).map(Timestamp::toInstant),
                r.getString("why_ended"));
    }
}
