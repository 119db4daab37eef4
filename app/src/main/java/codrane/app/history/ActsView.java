package codrane.app.history;

import codrane.app.workshop.Times;
import codrane.core.audit.AuditChain;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The page of what people did, newest first.
 *
 * @param asked as it was typed
 * @param older number under which the next page begins; empty on the last one
 */
public record ActsView(String asked, List<Line> acts, Optional<Long> older) {
    private static final Pattern JOB = Pattern.compile("job (\\d{1,9})");

    /** @param job number of the job that it is about; empty when it is about something else */
    public record Line(String at, String who, String act, String subject, Optional<String> job, String detail) {}

    static ActsView of(String asked, List<AuditChain.Row> found, Times times) {
        Paged<AuditChain.Row> page = Paged.of(found, AuditChain.Row::number);
        return new ActsView(
                asked, page.rows().stream().map(row -> line(row, times)).toList(), page.older());
    }

    private static Line line(AuditChain.Row row, Times times) {
        Matcher job = JOB.matcher(row.subject());
        return new Line(
                times.at(row.at()),
                row.who(),
                row.act(),
                row.subject(),
                job.matches() ? Optional.of(job.group(1)) : Optional.empty(),
                row.detail());
    }
}
