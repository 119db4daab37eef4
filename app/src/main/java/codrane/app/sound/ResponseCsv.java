package codrane.app.sound;

import codrane.core.response.FrequencyResponse;
import codrane.core.response.FrequencyResponse.Point;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Rows of {@code hz,db}, as programs for measuring write them. */
public final class ResponseCsv {
    private static final int MOST_ROWS = 50_000;

    private ResponseCsv() {}

    /** @throws IllegalArgumentException with what is wrong, naming the row */
    public static FrequencyResponse read(String text) {
        List<Point> points = new ArrayList<>();
        try (CSVParser rows = CSVFormat.DEFAULT
                .builder()
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get()
                .parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
            for (CSVRecord row : rows) {
                if (points.size() >= MOST_ROWS) throw new IllegalArgumentException("more than 50,000 rows");
                point(row).ifPresent(points::add);
            }
            return new FrequencyResponse(points);
        } catch (IOException | UncheckedIOException e) {
            throw new IllegalArgumentException(String.valueOf(e.getMessage()), e);
        }
    }

    /** A first row of words is a heading. */
    private static Optional<Point> point(CSVRecord row) {
        try {
            if (row.size() < 2) throw new NumberFormatException("two columns");
            return Optional.of(new Point(Double.parseDouble(row.get(0)), Double.parseDouble(row.get(1))));
        } catch (NumberFormatException e) {
            boolean heading =
                    row.getRecordNumber() == 1 && row.size() >= 2 && !row.get(0).matches(".*\\d.*");
            if (heading) return Optional.empty();
            throw new IllegalArgumentException("row " + row.getRecordNumber() + " is not hz,db");
        }
    }
}
