package codrane.app.web;

import codrane.core.scan.AgreementMatrix;
import java.util.List;
import java.util.Locale;

/** The agreement of all modules with the plate, as a table: those that differ first. */
public record MatrixView(String caption, List<Row> rows) {
    /** @param faults how many; a dash when they were not read */
    public record Row(String title, String address, boolean differs, List<Cell> cells, String faults) {}

    /** @param mark id of the mark, and class of its colour */
    public record Cell(String mark, String words) {}

    public static MatrixView of(AgreementMatrix matrix) {
        return new MatrixView(
                matrix.rows().size() + " modules against the plate, those that differ first",
                matrix.loudFirst().stream().map(MatrixView::row).toList());
    }

    private static Row row(AgreementMatrix.Row row) {
        List<Cell> cells = List.of(cell(row.vin()), cell(row.hardware()), cell(row.software()), cell(row.coding()));
        String faults = row.faults().map(String::valueOf).orElse("–");
        return new Row(row.title(), row.addressHex(), row.differs(), cells, faults);
    }

    private static Cell cell(AgreementMatrix.Cell cell) {
        return new Cell(cell.mark().name().toLowerCase(Locale.ROOT), cell.words());
    }
}
