package codrane.app.decide;

import codrane.core.job.DecideNotes;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.ObjectMapper;

/** Keeps what was said for plans, and the workshop's answers to judgement calls. */
@Component
@Transactional
public class DecideStore {
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;

    DecideStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public void put(long jobId, DecideNotes notes, Instant at, String who) {
        jdbc.sql("insert into decide_notes (job_id, content, at, who) values (?, ?, ?, ?) on conflict (job_id) do"
                        + " update set content = excluded.content, at = excluded.at, who = excluded.who")
                .params(jobId, JSON.writeValueAsString(notes), Timestamp.from(at), who)
                .update();
    }

    @Transactional(readOnly = true)
    public DecideNotes notes(long jobId) {
        return jdbc.sql("select content from decide_notes where job_id = ?")
                .param(jobId)
                .query(String.class)
                .optional()
                .map(content -> JSON.readValue(content, DecideNotes.class))
                .orElse(DecideNotes.NONE);
    }

    public void overrule(long jobId, Policy.Overrule overrule, Instant at) {
        jdbc.sql("insert into overrule (job_id, school, answer, reason, at, who) values (?, ?, ?, ?, ?, ?)"
                        + " on conflict (job_id, school) do update set answer = excluded.answer, reason ="
                        + " excluded.reason, at = excluded.at, who = excluded.who")
                .params(
                        jobId,
                        overrule.school().key(),
                        overrule.answer(),
                        overrule.reason(),
                        Timestamp.from(at),
                        overrule.by())
                .update();
    }

    public void takeBack(long jobId, School school) {
        jdbc.sql("delete from overrule where job_id = ? and school = ?")
                .params(jobId, school.key())
                .update();
    }

    public void answer(School school, String answer, Instant at, String who) {
        jdbc.sql("insert into workshop_policy (school, answer, at, who) values (?, ?, ?, ?) on conflict (school) do"
                        + " update set answer = excluded.answer, at = excluded.at, who = excluded.who")
                .params(school.key(), answer, Timestamp.from(at), who)
                .update();
    }

    /** The workshop's answers, without those of a school that is no more. */
    @Transactional(readOnly = true)
    public Map<School, String> answers() {
        Map<School, String> answers = new EnumMap<>(School.class);
        jdbc.sql("select school, answer from workshop_policy")
                .query((r, n) -> Map.entry(r.getString("school"), r.getString("answer")))
                .list()
                .forEach(row -> School.of(row.getKey())
                        .filter(s -> s.answers().contains(row.getValue()))
                        .ifPresent(s -> answers.put(s, row.getValue())));
        return answers;
    }

    @Transactional(readOnly = true)
    public Policy policy(long jobId) {
        List<Policy.Overrule> overrules = jdbc.sql(
                        "select school, answer, reason, who from overrule where job_id = ? order by school")
                .param(jobId)
                .query((r, n) -> new Policy.Overrule(
                        School.of(r.getString("school")).orElseThrow(),
                        r.getString("answer"),
                        r.getString("reason"),
                        r.getString("who")))
                .list();
        return new Policy(answers(), overrules);
    }
}
