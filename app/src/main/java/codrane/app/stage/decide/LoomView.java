package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.coding.LooseBit;
import codrane.core.job.CodingAtHand;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.job.VehicleSettings;
import codrane.core.job.VehicleSettings.Setting;
import codrane.core.octets.Bytes;
import codrane.core.pack.MarketRules.Says;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.Places;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The settings of a job's vehicle: one block bit by bit, or what was looked for over all modules.
 *
 * @param block layout that is shown
 * @param find what was looked for; empty when a block is shown
 * @param found how many there are, in words
 * @param modules each leads to its first block
 * @param blocks of the shown module
 * @param octet one byte that is looked at closer
 * @param change what the chosen settings alter in the shown block, in words; empty when nothing does
 */
record LoomView(
        long number,
        String block,
        String title,
        String note,
        String find,
        String found,
        List<Place> modules,
        List<Place> blocks,
        Optional<LoomPicture> picture,
        String change,
        List<Row> rows,
        Optional<LoomEdit> edit,
        Optional<LoomByte> octet,
        FavouritesView favourites) {
    private static final int MOST_FOUND = 60;
    private static final int MOST_THREADS = 6;

    /** @param here whether it is the shown one */
    record Place(String block, String title, int settings, boolean here) {}

    /**
     * What is looked at closer.
     *
     * @param block layout that is shown
     * @param setting layout, slash, field; may be empty
     * @param octet of the block, from 0; -1 for none
     */
    record Looked(String block, String setting, int octet) {
        /** A bit that no setting explains is looked at in its byte. */
        Looked {
            int slash = setting.indexOf('/');
            Optional<LooseBit> bit = slash < 0 ? Optional.empty() : LooseBit.of(setting.substring(slash + 1));
            if (bit.isPresent()) {
                block = setting.substring(0, slash);
                octet = bit.get().octet();
            }
        }
    }

    /** @param lawMark shape before what the law says; empty when it is free */
    record Row(
            String key,
            String block,
            String title,
            String name,
            String now,
            String chosen,
            String place,
            int octet,
            String law,
            String lawMark,
            boolean shown) {}

    /** @param settings of the vehicle; there is at least one */
    static LoomView of(
            JobState state,
            Scan scan,
            VehicleSettings settings,
            FavouritesView favourites,
            Viewer viewer,
            String find,
            Looked at) {
        Optional<Setting> chosen = settings.one(at.setting());
        String wanted = chosen.map(s -> s.layout().id()).orElse(at.block());
        Setting shown = settings.all().stream()
                .filter(s -> s.layout().id().equals(wanted))
                .findFirst()
                .orElseGet(() -> first(state, settings));
        boolean finds = !find.isBlank();
        List<Setting> listed = finds
                ? settings.find(find)
                : settings.all().stream()
                        .filter(s -> s.layout().equals(shown.layout()))
                        .toList();
        Bytes from = VehicleSettings.block(scan, shown.module(), shown.layout()).orElseThrow();
        Bytes to = changed(state, scan, shown.layout(), from);
        String software = Optional.ofNullable(scan.readings().get(shown.module().id()))
                .flatMap(reading -> reading.text(Ident.SOFTWARE))
                .orElse("not told");
        return new LoomView(
                state.job().number(),
                shown.layout().id(),
                shown.module().title() + ": " + shown.layout().title(),
                shown.module().tag() + ", " + shown.layout().length() + " bytes, software " + software
                        + state.pack().keptSoBy(shown.layout().id(), software) + ", read "
                        + state.now().dayAndTime(scan.takenAt()),
                find.strip(),
                finds ? count(listed.size()) : "",
                modules(settings, shown.module()),
                blocks(settings, shown),
                finds
                        ? Optional.empty()
                        : Optional.of(picture(state, scan, shown, from, to, listed, chosen, at.octet())),
                finds ? "" : change(shown.layout(), from, to),
                listed.stream()
                        .limit(finds ? MOST_FOUND : Long.MAX_VALUE)
                        .map(s -> row(state, s, finds, at))
                        .toList(),
                at.octet() >= 0 ? Optional.empty() : chosen.map(s -> LoomEdit.of(state, s, viewer)),
                Optional.of(at.octet())
                        .filter(o -> !finds && o >= 0 && o < from.length())
                        .map(o -> LoomByte.of(
                                state, state.pack(scan), shown.module(), shown.layout(), from, to, o, viewer)),
                favourites);
    }

    /** Where the job is at work, else the first there is. */
    private static Setting first(JobState state, VehicleSettings settings) {
        String module = state.job().replacedModule().orElse("body");
        return settings.all().stream()
                .filter(s -> s.chosen().isPresent())
                .findFirst()
                .or(() -> settings.all().stream()
                        .filter(s -> s.module().id().equals(module))
                        .findFirst())
                .orElseGet(() -> settings.all().getFirst());
    }

    /** The block as it will be, when its software keeps it then as it does now. */
    private static Bytes changed(JobState state, Scan scan, Layout layout, Bytes from) {
        return state.packWritten().layout(layout.id()).equals(layout)
                ? CodingAtHand.chosen(state, scan.readings()).getOrDefault(layout.id(), from)
                : from;
    }

    private static String count(int found) {
        return switch (found) {
            case 0 -> "No setting has these words in its name, key or value.";
            case 1 -> "1 setting.";
            default -> found + " settings" + (found > MOST_FOUND ? "; the first " + MOST_FOUND + " are shown." : ".");
        };
    }

    private static List<Place> modules(VehicleSettings settings, PackModule shown) {
        List<Place> places = new ArrayList<>();
        for (Setting s : settings.all()) {
            if (places.stream().anyMatch(p -> p.title().equals(s.module().title()))) continue;
            int all = (int) settings.all().stream()
                    .filter(o -> o.module().equals(s.module()))
                    .count();
            places.add(new Place(
                    s.layout().id(), s.module().title(), all, s.module().equals(shown)));
        }
        return places;
    }

    private static List<Place> blocks(VehicleSettings settings, Setting shown) {
        List<Place> places = new ArrayList<>();
        for (Setting s : settings.all()) {
            boolean listed =
                    places.stream().anyMatch(p -> p.block().equals(s.layout().id()));
            if (!s.module().equals(shown.module()) || listed) continue;
            int all = (int) settings.all().stream()
                    .filter(o -> o.layout().equals(s.layout()))
                    .count();
            places.add(new Place(
                    s.layout().id(), s.layout().title(), all, s.layout().equals(shown.layout())));
        }
        return places;
    }

    private static LoomPicture picture(
            JobState state,
            Scan scan,
            Setting shown,
            Bytes from,
            Bytes to,
            List<Setting> listed,
            Optional<Setting> chosen,
            int octet) {
        int offset = 0;
        for (Layout layout : state.pack(scan).blocksOf(shown.module())) {
            if (layout.equals(shown.layout())) break;
            offset += layout.length();
        }
        List<LoomPicture.Told> told = new ArrayList<>();
        for (Setting s : listed)
            if ((s.chosen().isPresent() || chosen.filter(s::equals).isPresent()) && told.size() < MOST_THREADS)
                told.add(new LoomPicture.Told(
                        s.field().at(),
                        s.field().bits(),
                        s.chosen().isPresent(),
                        List.of(
                                s.field().title(),
                                s.chosen()
                                                .map(wished -> s.now() + " → " + wished)
                                                .orElse(s.now()) + ", "
                                        + bits(s.field().bits()))));
        for (Layout.Change change : shown.layout().diff(from, to))
            LooseBit.of(change.key())
                    .filter(bit -> told.size() < MOST_THREADS)
                    .ifPresent(bit -> told.add(new LoomPicture.Told(
                            bit.octet() * 8 + 7 - bit.bit(),
                            1,
                            true,
                            List.of(
                                    Places.title(
                                            state.pack(scan), shown.layout().id(), change.key()),
                                    change.from() + " → " + change.to() + ", no setting explains it"))));
        return LoomPicture.of(shown.layout(), from, to, offset, shown.module().tag(), told, octet);
    }

    private static String bits(int bits) {
        return bits == 1 ? "1 bit" : bits + " bits";
    }

    private static String change(Layout layout, Bytes from, Bytes to) {
        List<Layout.Change> changes = layout.diff(from, to);
        if (changes.isEmpty()) return "";
        long loose =
                changes.stream().filter(c -> LooseBit.of(c.key()).isPresent()).count();
        long named = changes.size() - loose;
        int check = layout.check().at() * 8;
        int checkEnd = check + layout.check().kind().octets() * 8;
        List<BlockReading.Bit> bits = BlockReading.changed(from, to).stream()
                .filter(b -> b.octet() * 8 < check || b.octet() * 8 >= checkEnd)
                .toList();
        long bytes = bits.stream().map(BlockReading.Bit::octet).distinct().count();
        String what = Stream.of(
                        named == 0 ? "" : named == 1 ? "one setting" : named + " settings",
                        loose == 0
                                ? ""
                                : loose == 1 ? "one bit that none explains" : loose + " bits that none explains")
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(" and "));
        return Words.capital(what) + (changes.size() == 1 ? " changes here: " : " change here: ") + bits(bits.size())
                + " in " + (bytes == 1 ? "1 byte" : bytes + " bytes")
                + (checkEnd > check ? "; the check follows." : ".") + " Nothing else in this block moves.";
    }

    private static Row row(JobState state, Setting s, boolean finds, Looked at) {
        boolean rules = !state.decided().law().market().isEmpty();
        return new Row(
                s.key(),
                s.layout().id(),
                finds ? s.title() : s.field().title(),
                s.field().key(),
                s.now(),
                s.chosen().orElse(""),
                s.place(),
                s.field().at() / 8,
                s.law().map(r -> law(r.says())).orElse(rules ? "free" : "no rules at hand"),
                s.law().map(r -> mark(r.says())).orElse(""),
                s.key().equals(at.setting()) && at.octet() < 0);
    }

    private static String mark(Says says) {
        return switch (says) {
            case FREE, NOTE -> "";
            case APPROVAL -> "hold";
            case REFUSED -> "differs";
        };
    }

    private static String law(Says says) {
        return switch (says) {
            case FREE -> "free";
            case NOTE -> "customer is told";
            case APPROVAL -> "lead approves";
            case REFUSED -> "not done";
        };
    }
}
