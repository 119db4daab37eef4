package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.job.VehicleSettings;
import codrane.core.job.VehicleSettings.Setting;
import codrane.core.octets.Bytes;
import codrane.core.pack.MarketRules.Says;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.SettingRule;
import codrane.core.plan.JobKind;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The settings of a job's vehicle: one block bit by bit, or what was looked for over all modules.
 *
 * @param find what was looked for; empty when a block is shown
 * @param found how many there are, in words
 * @param modules each leads to its first block
 * @param blocks of the shown module
 * @param change what the chosen settings alter in the shown block, in words; empty when nothing does
 */
record LoomView(
        long number,
        String title,
        String note,
        String find,
        String found,
        List<Place> modules,
        List<Place> blocks,
        Optional<LoomPicture> picture,
        String change,
        List<Row> rows,
        Optional<Edit> edit,
        FavouritesView favourites) {
    private static final int MOST_FOUND = 60;
    private static final int MOST_THREADS = 6;

    /** @param here whether it is the shown one */
    record Place(String block, String title, int settings, boolean here) {}

    /** @param lawMark shape before what the law says; empty when it is free */
    record Row(
            String key,
            String block,
            String title,
            String name,
            String now,
            String chosen,
            String place,
            String law,
            String lawMark,
            boolean shown) {}

    /**
     * One setting, to be given another value.
     *
     * @param values to choose from; empty when it is typed
     * @param typed what may be typed, in words; empty when it is chosen
     * @param law what the law says, as a sentence; empty when nothing
     * @param may whether this one may, and the job changes settings
     */
    record Edit(
            String key,
            String title,
            String now,
            String chosen,
            List<String> values,
            String typed,
            String law,
            boolean may) {}

    /** @param settings of the vehicle; there is at least one */
    static LoomView of(
            JobState state,
            Scan scan,
            VehicleSettings settings,
            FavouritesView favourites,
            Viewer viewer,
            String find,
            String block,
            String setting) {
        Optional<Setting> chosen = settings.one(setting);
        String wanted = chosen.map(s -> s.layout().id()).orElse(block);
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
        Bytes to = changed(listed, shown.layout(), from, finds);
        String software = Optional.ofNullable(scan.readings().get(shown.module().id()))
                .flatMap(reading -> reading.text(Ident.SOFTWARE))
                .orElse("not told");
        return new LoomView(
                state.job().number(),
                shown.module().title() + ": " + shown.layout().title(),
                shown.module().tag() + ", " + shown.layout().length() + " bytes, software " + software
                        + state.pack().keptSoBy(shown.layout().id(), software) + ", read "
                        + state.now().dayAndTime(scan.takenAt()),
                find.strip(),
                finds ? count(listed.size()) : "",
                modules(settings, shown.module()),
                blocks(settings, shown),
                finds ? Optional.empty() : Optional.of(picture(state, scan, shown, from, to, listed, chosen)),
                finds ? "" : change(listed, from, to),
                listed.stream()
                        .limit(finds ? MOST_FOUND : Long.MAX_VALUE)
                        .map(s -> row(state, s, finds, setting))
                        .toList(),
                chosen.map(s -> edit(state, s, viewer)),
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

    private static Bytes changed(List<Setting> listed, Layout layout, Bytes from, boolean finds) {
        Map<String, String> values = new HashMap<>();
        if (!finds)
            listed.forEach(s -> s.chosen().ifPresent(v -> values.put(s.field().key(), v)));
        return values.isEmpty() || !(layout.encode(values, from) instanceof Layout.Encoded.Block(Bytes to)) ? from : to;
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
            Optional<Setting> chosen) {
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
        return LoomPicture.of(shown.layout(), from, to, offset, shown.module().tag(), told);
    }

    private static String bits(int bits) {
        return bits == 1 ? "1 bit" : bits + " bits";
    }

    private static String change(List<Setting> listed, Bytes from, Bytes to) {
        long chosen = listed.stream().filter(s -> s.chosen().isPresent()).count();
        if (chosen == 0) return "";
        Layout layout = listed.getFirst().layout();
        int check = layout.check().at() * 8;
        int checkEnd = check + layout.check().kind().octets() * 8;
        List<BlockReading.Bit> bits = BlockReading.changed(from, to).stream()
                .filter(b -> b.octet() * 8 < check || b.octet() * 8 >= checkEnd)
                .toList();
        long bytes = bits.stream().map(BlockReading.Bit::octet).distinct().count();
        return (chosen == 1 ? "One setting changes here: " : chosen + " settings change here: ") + bits(bits.size())
                + " in " + (bytes == 1 ? "1 byte" : bytes + " bytes")
                + (checkEnd > check ? "; the check follows." : ".") + " Nothing else in this block moves.";
    }

    private static Row row(JobState state, Setting s, boolean finds, String shown) {
        boolean rules = !state.decided().law().market().isEmpty();
        return new Row(
                s.key(),
                s.layout().id(),
                finds ? s.title() : s.field().title(),
                s.field().key(),
                s.now(),
                s.chosen().orElse(""),
                s.place(),
                s.law().map(r -> law(r.says())).orElse(rules ? "free" : "no rules at hand"),
                s.law().map(r -> mark(r.says())).orElse(""),
                s.key().equals(shown));
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

    private static Edit edit(JobState state, Setting s, Viewer viewer) {
        SettingRule rule = state.pack().setting(s.layout().id(), s.field().key());
        JobKind kind = state.job().kind();
        boolean may = PlanFacts.byName(kind)
                && kind != JobKind.CHANGE_LINE // which is about one byte of an instruction
                && state.job().closedAt().isEmpty()
                && viewer.may(state.job().number(), "decide/setting");
        return new Edit(
                s.key(),
                s.title(),
                s.now(),
                s.chosen().orElse(""),
                s.field().kind() == Field.Kind.ENUMERATION
                        ? List.copyOf(inOrder(s.field()).values())
                        : List.of(),
                typed(s.field(), rule),
                s.law().map(r -> r.cited() + ".").orElse(""),
                may);
    }

    private static Map<Long, String> inOrder(Field field) {
        return new java.util.TreeMap<>(field.values());
    }

    private static String typed(Field field, SettingRule rule) {
        if (field.kind() == Field.Kind.ENUMERATION) return "";
        String from = rule.least().map(field::worded).orElse("");
        String to = rule.most().map(field::worded).orElse("");
        BigDecimal step = field.scale().factor();
        return field.kind() != Field.Kind.SCALED
                ? "as it stands in the module"
                : (from.isEmpty() || to.isEmpty() ? "" : from + " to " + to + ", ") + "in steps of "
                        + field.worded(step);
    }
}
