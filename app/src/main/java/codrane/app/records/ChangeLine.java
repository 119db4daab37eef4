package codrane.app.records;

import codrane.app.records.ChangeLedger.Change;
import codrane.app.records.ChangeLedger.Made;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Places;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * A change in words: software and VIN as text, coding setting by setting. The raw octets stay in the ledger.
 *
 * @param by name of who had it written
 */
public record ChangeLine(String when, String module, String what, List<String> details, String by, long jobId) {
    public ChangeLine {
        details = List.copyOf(details);
    }

    /** The same, said to be by another. */
    public ChangeLine by(String name) {
        return new ChangeLine(when, module, what, details, name, jobId);
    }

    /** @param when an instant in the workshop's words */
    public static List<ChangeLine> of(Pack pack, List<Made> changes, Function<Instant, String> when) {
        return changes.stream().map(made -> of(pack, made, when)).toList();
    }

    private static ChangeLine of(Pack pack, Made made, Function<Instant, String> when) {
        Change change = made.change();
        PackModule module = pack.module(change.module());
        return new ChangeLine(
                when.apply(change.at()),
                module.title(),
                change.what(),
                details(pack, module, change),
                made.who(),
                made.jobId());
    }

    private static List<String> details(Pack pack, PackModule module, Change change) {
        Integer did = change.dataIdentifier();
        if (did == null) return List.of("software " + orNone(change.before()) + " → " + change.after());
        Bytes before = Bytes.parse(change.before());
        Bytes after = Bytes.parse(change.after());
        if (did == module.did(Ident.VIN)) return List.of(vin(before) + " → " + vin(after));
        Optional<Equipment.Immobiliser> secret = pack.equipment().immobiliser().filter(i -> i.state() == did);
        if (secret.isPresent())
            return List.of(
                    secret.get().master().equals(module.id())
                            ? "keys known: " + before.u8(0) + " → " + after.u8(0)
                            : "not paired → paired");
        Pack kept = pack.as(Map.of(module.id(), change.software()));
        Optional<Layout> layout = kept.blocksOf(module).stream()
                .filter(l -> l.dataIdentifier() == did && l.length() == before.length() && l.length() == after.length())
                .findFirst();
        return layout.map(l -> settings(kept, l, before, after)).orElse(List.of("written anew: " + after.spaced()));
    }

    private static List<String> settings(Pack pack, Layout layout, Bytes before, Bytes after) {
        if (layout.isBlank(before))
            return List.of(
                    "was blank, now: " + String.join(", ", layout.decode(after).values()));
        return layout.diff(before, after).stream()
                .map(c -> Places.title(pack, layout.id(), c.key()) + ": " + orNone(c.from()) + " → " + c.to())
                .toList();
    }

    private static String vin(Bytes octets) {
        boolean blank = octets.isEmpty() || octets.allAre(0xFF) || octets.allAre(0);
        return blank ? "none" : octets.text();
    }

    private static String orNone(String text) {
        return text.isBlank() ? "none" : text;
    }
}
