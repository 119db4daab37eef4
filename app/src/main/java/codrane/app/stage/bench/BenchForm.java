package codrane.app.stage.bench;

import codrane.core.job.BenchNotes;
import codrane.core.job.BenchNotes.BatteryNote;
import codrane.core.job.BenchNotes.Other;
import codrane.core.pack.Pack;
import codrane.core.power.Chemistry;
import codrane.core.text.Words;
import java.io.Serializable;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What is typed at the bench. */
public record BenchForm(
        @Nullable Boolean cableSeen,
        @Nullable Boolean sleepOff,
        @Nullable Boolean updatesOff,
        List<String> other,
        List<String> role,
        String chemistry,
        String capacityAh,
        String restVolts,
        String restedHours,
        String celsius,
        String unitVolts,
        String unitA,
        String online)
        implements Serializable { // waits in the session while the page is loaded anew
    private static final int MOST_OTHERS = 4;
    private static final String YES = "yes";
    private static final String NO = "no";

    /** What was typed, as notes or as a sentence that says what is wrong. */
    sealed interface Read {
        record Notes(BenchNotes notes) implements Read {}

        record Wrong(String sentence) implements Read {}
    }

    /** What was noted, as a form has it; the pack's battery where nobody measured one. */
    static BenchForm of(BenchNotes notes, Pack.Supply supply) {
        Optional<BatteryNote> b = notes.battery();
        return new BenchForm(
                notes.cableSeen(),
                notes.sleepOff(),
                notes.updatesOff(),
                notes.others().stream().map(Other::name).toList(),
                notes.others().stream()
                        .map(o -> o.writes() ? "writes" : "listens")
                        .toList(),
                b.map(BatteryNote::chemistry).orElse(supply.chemistry()),
                String.valueOf(b.map(BatteryNote::capacityAh).orElse(supply.capacityAh())),
                b.map(n -> String.valueOf(n.restVolts())).orElse(""),
                b.map(n -> String.valueOf(n.restedHours())).orElse(""),
                b.map(n -> String.valueOf(n.celsius())).orElse(""),
                b.filter(n -> n.unitVolts() > 0)
                        .map(n -> String.valueOf(n.unitVolts()))
                        .orElse(""),
                b.filter(n -> n.unitA() > 0).map(n -> String.valueOf(n.unitA())).orElse(""),
                notes.online().map(there -> there ? YES : NO).orElse(""));
    }

    /** The first other tool; empty when there is none. */
    public String firstOther() {
        return other == null || other.isEmpty() || other.getFirst() == null ? "" : other.getFirst();
    }

    /** Whether the first other tool writes. */
    public boolean firstWrites() {
        return role != null && !role.isEmpty() && "writes".equals(role.getFirst());
    }

    private static final class Wrong extends RuntimeException {
        Wrong(String sentence) {
            super(sentence, null, false, false);
        }
    }

    Read read() {
        try {
            return new Read.Notes(new BenchNotes(
                    ticked(cableSeen), ticked(sleepOff), ticked(updatesOff), others(), battery(), said(online)));
        } catch (Wrong e) {
            return new Read.Wrong(Words.said(e));
        }
    }

    /** A box that is not ticked is not sent. */
    private static boolean ticked(@Nullable Boolean box) {
        return Boolean.TRUE.equals(box);
    }

    private static Optional<Boolean> said(String answer) {
        return YES.equals(answer) || NO.equals(answer) ? Optional.of(YES.equals(answer)) : Optional.empty();
    }

    private List<Other> others() {
        List<Other> others = new ArrayList<>();
        int rows = Math.min(MOST_OTHERS, other == null ? 0 : other.size());
        for (int i = 0; i < rows; i++) {
            String name = other.get(i) == null ? "" : other.get(i).strip();
            if (name.length() > 40) throw new Wrong("A tool's name has at most 40 characters.");
            boolean writes = role != null && i < role.size() && "writes".equals(role.get(i));
            if (!name.isEmpty()) others.add(new Other(name, writes));
        }
        return others;
    }

    /** Without a resting voltage nothing was measured. */
    private Optional<BatteryNote> battery() {
        if (restVolts == null || restVolts.isBlank()) return Optional.empty();
        if (Chemistry.of(chemistry == null ? "" : chemistry).isEmpty())
            throw new Wrong("Say which kind of battery it is.");
        return Optional.of(new BatteryNote(
                chemistry,
                number("Capacity", capacityAh, 1, 2000, -1),
                number("Resting voltage", restVolts, 5, 20, -1),
                number("Hours of rest", restedHours, 0, 10_000, 0),
                number("Temperature", celsius, -40, 80, 20),
                number("Set-point of the support unit", unitVolts, 0, 16, 0),
                number("Amperes of the support unit", unitA, 0, 1000, 0)));
    }

    /** @param otherwise when nothing was typed; less than zero: something must be */
    private static double number(String what, String typed, double least, double most, double otherwise) {
        String text = typed == null ? "" : typed.strip().replace(',', '.');
        if (text.isEmpty() && otherwise >= 0) return otherwise;
        if (!text.matches("-?\\d{1,5}(\\.\\d{1,3})?"))
            throw new Wrong(what + " is a number from " + (int) least + " to " + (int) most + ".");
        double value = Double.parseDouble(text);
        if (value < least || value > most)
            throw new Wrong(what + " is a number from " + (int) least + " to " + (int) most + ".");
        return value;
    }
}
