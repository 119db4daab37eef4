package codrane.app.stage.intake;

import codrane.core.job.IntakeNotes;
import codrane.core.job.IntakeNotes.Identifier;
import codrane.core.job.IntakeNotes.PartState;
import java.io.Serializable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What is typed at arrival. Lists are rows of equal length. */
public record IntakeForm(
        String partState,
        String earlier,
        String papersVin,
        String variant,
        String mileage,
        String lights,
        String keysHere,
        String keysAll,
        String ownership,
        String hand,
        List<String> what,
        List<String> value,
        List<String> source)
        implements Serializable { // waits in the session while the page is loaded anew
    private static final int LONGEST = 400;
    private static final int MOST_ROWS = 8;

    /** What was typed, as notes or as a sentence that says what is wrong. */
    public sealed interface Read {
        record Notes(IntakeNotes notes) implements Read {}

        record Wrong(String sentence) implements Read {}
    }

    static IntakeForm of(IntakeNotes notes) {
        IntakeNotes.Details d = notes.details();
        boolean keys = d.keysAll() > 0;
        return new IntakeForm(
                d.partState().map(Enum::name).orElse(""),
                d.earlier(),
                d.papersVin(),
                notes.variant(),
                d.mileage().map(String::valueOf).orElse(""),
                d.lights(),
                keys ? String.valueOf(d.keysHere()) : "",
                keys ? String.valueOf(d.keysAll()) : "",
                d.ownership(),
                d.hand().map(IntakeNotes.Hand::name).orElse(""),
                d.identifiers().stream().map(Identifier::what).toList(),
                d.identifiers().stream().map(Identifier::value).toList(),
                d.identifiers().stream().map(Identifier::source).toList());
    }

    /** A row of the table of numbers; empty text where there is none. */
    public Identifier row(int row) {
        return new Identifier(cell(what, row), cell(value, row), cell(source, row));
    }

    /**
     * @param before what is kept of the notes so far
     * @param hands who may be named
     */
    public Read over(IntakeNotes before, List<IntakeNotes.Hand> hands) {
        for (String text : Arrays.asList(earlier, papersVin, variant, lights, ownership))
            if (text(text).length() > LONGEST) return new Read.Wrong("At most " + LONGEST + " characters in a field.");
        Optional<Integer> km = number(mileage, 2_000_000);
        if (!text(mileage).isEmpty() && km.isEmpty())
            return new Read.Wrong("The mileage is a number of kilometres, up to 2,000,000.");
        Optional<Integer> here = number(keysHere, 20);
        Optional<Integer> all = number(keysAll, 20);
        boolean keysWrong =
                !text(keysHere).isEmpty() && here.isEmpty() || !text(keysAll).isEmpty() && all.isEmpty();
        if (keysWrong || here.orElse(0) > all.orElse(20))
            return new Read.Wrong("Keys: how many are here, of how many.");
        IntakeNotes.Details was = before.details();
        Optional<IntakeNotes.Hand> named =
                hands.stream().filter(h -> h.name().equals(text(hand))).findFirst();
        if (!text(hand).isEmpty() && named.isEmpty())
            return new Read.Wrong("Nobody of the name " + text(hand) + " works here: see People.");
        IntakeNotes.Details details = new IntakeNotes.Details(
                partState == null
                        ? was.partState()
                        : Arrays.stream(PartState.values())
                                .filter(s -> s.name().equals(text(partState)))
                                .findFirst(),
                or(earlier, was.earlier()),
                papersVin == null
                        ? was.papersVin()
                        : text(papersVin).toUpperCase(Locale.ROOT).replace(" ", ""),
                mileage == null ? was.mileage() : km,
                or(lights, was.lights()),
                keysHere == null ? was.keysHere() : here.orElse(0),
                keysAll == null ? was.keysAll() : all.orElse(0),
                or(ownership, was.ownership()),
                what == null ? was.identifiers() : identifiers(),
                hand == null ? was.hand() : named);
        return new Read.Notes(new IntakeNotes(before.oldModule(), or(variant, before.variant()), details));
    }

    /** A field that did not come along stays as it is. */
    private static String or(@org.jspecify.annotations.Nullable String typed, String before) {
        return typed == null ? before : text(typed);
    }

    private List<Identifier> identifiers() {
        List<Identifier> rows = new ArrayList<>();
        int count = Math.min(MOST_ROWS, what == null ? 0 : what.size());
        for (int i = 0; i < count; i++) {
            String is = cell(value, i);
            if (!is.isEmpty()) rows.add(new Identifier(cell(what, i), is, cell(source, i)));
        }
        return rows;
    }

    private static String cell(List<String> column, int row) {
        String text = column == null || row >= column.size() ? "" : text(column.get(row));
        return text.length() > 80 ? text.substring(0, 80) : text;
    }

    private static String text(String typed) {
        return typed == null ? "" : typed.strip();
    }

    private static Optional<Integer> number(String typed, int most) {
        String digits = text(typed).replace(" ", "").replace(",", "");
        if (!digits.matches("\\d{1,7}")) return Optional.empty();
        int number = Integer.parseInt(digits);
        return number <= most ? Optional.of(number) : Optional.empty();
    }
}
