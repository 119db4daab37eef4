package codrane.app.tools;

import codrane.core.tool.ToolStep;
import java.sql.Date;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was noted about interfaces. */
@Component
@Transactional
class ToolStore {
    private final JdbcClient jdbc;

    ToolStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param setupBegunAt when making it ready was begun; empty when it never was */
    record Noted(
            Optional<LocalDate> licenceUntil,
            Optional<Instant> answeredAt,
            Optional<Instant> setupBegunAt,
            String setupBy) {
        static final Noted NOTHING = new Noted(Optional.empty(), Optional.empty(), Optional.empty(), "");
    }

    private void add(String tool) {
        jdbc.sql("insert into tool (name) values (?) on conflict do nothing")
                .param(tool)
                .update();
    }

    void licence(String tool, LocalDate until) {
        add(tool);
        jdbc.sql("update tool set licence_until = ? where name = ?")
                .params(Date.valueOf(until), tool)
                .update();
    }

    void answered(String tool, Instant at) {
        add(tool);
        jdbc.sql("update tool set answered_at = ? where name = ?")
                .params(Timestamp.from(at), tool)
                .update();
    }

    /** Begins anew: nothing of an earlier setup counts. */
    void begin(String tool, Instant at, String who) {
        add(tool);
        jdbc.sql("update tool set setup_begun_at = ?, setup_by = ?, licence_until = null where name = ?")
                .params(Timestamp.from(at), who, tool)
                .update();
        jdbc.sql("delete from tool_step where tool = ?").param(tool).update();
    }

    void step(String tool, ToolStep step, Instant at, String who) {
        jdbc.sql("insert into tool_step (tool, step, at, who) values (?, ?, ?, ?) on conflict do nothing")
                .params(tool, step.key(), Timestamp.from(at), who)
                .update();
    }

    @Transactional(readOnly = true)
    Noted noted(String tool) {
        return jdbc.sql("select * from tool where name = ?")
                .param(tool)
                .query((r, n) -> new Noted(
                        Optional.ofNullable(r.getDate("licence_until")).map(Date::toLocalDate),
                        Optional.ofNullable(r.getTimestamp("answered_at")).map(Timestamp::toInstant),
                        Optional.ofNullable(r.getTimestamp("setup_begun_at")).map(Timestamp::toInstant),
                        Optional.ofNullable(r.getString("setup_by")).orElse("")))
                .optional()
                .orElse(Noted.NOTHING);
    }

    @Transactional(readOnly = true)
    Set<ToolStep> steps(String tool) {
        Set<ToolStep> steps = EnumSet.noneOf(ToolStep.class);
        for (String key : jdbc.sql("select step from tool_step where tool = ?")
                .param(tool)
                .query(String.class)
                .list())
            Arrays.stream(ToolStep.values()).filter(s -> s.key().equals(key)).forEach(steps::add);
        return steps;
    }
}
