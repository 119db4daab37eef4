package codrane.app.records;

import codrane.core.audit.AuditChain;
import codrane.core.audit.AuditChain.Marked;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The stored rows of the audit chain. In plain SQL: their text is hashed, so that nothing may come between. */
public final class AuditRows {
    private static final int PAGE = 2000;
    private static final String COLUMNS = "select number, at, who, act, subject, detail, mark from audit ";

    private AuditRows() {}

    /**
     * Whether the chain is whole.
     *
     * @param rows how many there are, or are good
     * @param head mark of the last good one; kept elsewhere it shows a cut tail
     * @param firstBroken number of the first row that is not what it was when written
     */
    public record Verified(long rows, String head, Optional<Long> firstBroken) {}

    /** Page by page, however many there are. */
    public static Verified verify(Connection connection, AuditChain chain) throws SQLException {
        String mark = AuditChain.START;
        long number = 0;
        while (true) {
            List<Marked> page = read(connection, "where number > ? order by number limit " + PAGE, number);
            if (page.isEmpty()) return new Verified(number, mark, Optional.empty());
            for (Marked row : page) {
                boolean whole = row.row().number() == number + 1
                        && chain.mark(mark, row.row()).equals(row.mark());
                if (!whole) return new Verified(number, mark, Optional.of(number + 1));
                mark = row.mark();
                number++;
            }
        }
    }

    /** Newest first. */
    static List<Marked> newest(Connection connection, int most) throws SQLException {
        return read(connection, "order by number desc limit ?", most);
    }

    /** Under a number and about somebody or something, newest first; about all when that is empty. */
    static List<Marked> before(Connection connection, long number, String about, int most) throws SQLException {
        if (about.isEmpty()) return read(connection, "where number < ? order by number desc limit ?", number, most);
        return read(
                connection,
                "where number < ? and who = ? union all " + COLUMNS
                        + "where number < ? and subject = ? and who <> ? order by number desc limit ?",
                number,
                about,
                number,
                about,
                about,
                most);
    }

    private static List<Marked> read(Connection connection, String rest, Object... parameters) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(COLUMNS + rest)) {
            for (int i = 0; i < parameters.length; i++) statement.setObject(i + 1, parameters[i]);
            List<Marked> rows = new ArrayList<>();
            try (ResultSet result = statement.executeQuery()) {
                while (result.next()) rows.add(row(result));
            }
            return rows;
        }
    }

    private static Marked row(ResultSet r) throws SQLException {
        return new Marked(
                new AuditChain.Row(
                        r.getLong("number"),
                        r.getTimestamp("at").toInstant(),
                        r.getString("who"),
                        r.getString("act"),
                        r.getString("subject"),
                        r.getString("detail")),
                r.getString("mark"));
    }
}
