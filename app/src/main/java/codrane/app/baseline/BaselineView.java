package codrane.app.baseline;

import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineFile.Measured;
import codrane.core.baseline.BaselineFile.Module;
import codrane.core.baseline.KnownGood;
import codrane.core.coding.Layout;
import codrane.core.pack.LiveValue;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ObdReading;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A baseline as its page shows it: every module in a line, one of them in full.
 *
 * @param odd values of any module that are far from those of healthy vehicles
 * @param references how many healthy vehicles there are to compare with
 * @param order codes of the vehicle order with their titles; empty when it was not told
 */
public record BaselineView(
        String vin,
        String key,
        List<Row> rows,
        Optional<Detail> detail,
        List<Strip> odd,
        int references,
        List<Obd> obd,
        String order) {
    /** How a baseline calls a module that answered. */
    private static final String ANSWERS = "answers";

    /** One module in a line. */
    public record Row(
            String id,
            String title,
            String presence,
            String software,
            int settings,
            int values,
            int faults,
            boolean shown) {
        /** Its software; how it is, when it does not answer. */
        public String answer() {
            return presence.equals(ANSWERS) ? software : presence;
        }
    }

    /** Legislated diagnostics of one module, in words. */
    public record Obd(String address, String vin, String calibrations, String numbers, String faults, String lamp) {
        static Obd of(ObdReading reading) {
            return new Obd(
                    String.valueOf(reading.address()),
                    reading.vin().orElse("not told"),
                    String.join(", ", reading.calibrations()),
                    String.join(", ", reading.verificationNumbers()),
                    String.join(" ", reading.stored()) + " / " + String.join(" ", reading.pending()) + " / "
                            + String.join(" ", reading.permanent()),
                    reading.lampOn() ? "on" : "off");
        }
    }

    /** @param raw in groups of octets */
    public record BlockView(String title, String raw, List<Line> settings) {
        /** How many there are, in words. */
        public String size() {
            return Words.count(settings.size(), "setting");
        }
    }

    public record Line(String title, String value) {}

    /** One module in full. */
    public record Detail(
            String title,
            List<Line> identification,
            List<BlockView> blocks,
            List<Line> faults,
            List<Line> adaptations,
            List<Strip> live) {}

    /**
     * A value beside those of healthy vehicles, to be drawn.
     *
     * @param good absent when there is none to compare with
     * @param at place of the value, 0..200
     * @param from place of the lowest healthy value
     * @param to place of the highest one
     * @param middle place of the median
     */
    public record Strip(
            String module, String title, String value, Optional<KnownGood> good, int at, int from, int to, int middle) {
        /** In words, for who does not see it. */
        public String aloud() {
            return good.map(g -> BaselinePage.range(value, g)).orElse(value);
        }

        public String usual() {
            return good.map(BaselinePage::usual).orElse("");
        }

        public String judged() {
            return good.map(BaselinePage::judged).orElse("nothing to compare with");
        }
    }

    /** @param shown module in full; the first that has anything when it is not in the baseline */
    static BaselineView of(Pack pack, BaselineFile file, List<BaselineFile> references, String shown) {
        String id = file.module(shown).isPresent()
                ? shown
                : file.modules().stream()
                        .filter(m -> !m.coding().isEmpty())
                        .findFirst()
                        .map(Module::id)
                        .orElse("");
        List<Strip> odd = new ArrayList<>();
        for (Module module : file.modules())
            for (Strip strip : strips(pack, module, references))
                if (strip.good()
                        .filter(g -> g.verdict() == KnownGood.Verdict.ODD)
                        .isPresent()) odd.add(strip);
        return new BaselineView(
                file.vin(),
                file.key(),
                file.modules().stream()
                        .map(m -> row(pack, m, m.id().equals(id)))
                        .toList(),
                file.module(id).map(m -> detail(pack, m, references)),
                odd,
                references.size(),
                file.obd().stream().map(Obd::of).toList(),
                file.order().map(o -> order(pack, o)).orElse(""));
    }

    /** Codes with their titles. */
    private static String order(Pack pack, String codes) {
        Map<String, String> titles =
                pack.equipment().order().map(o -> o.titles()).orElse(Map.of());
        return Arrays.stream(codes.split(" +"))
                .map(code -> titles.containsKey(code) ? code + " " + titles.get(code) : code)
                .collect(Collectors.joining(", "));
    }

    static String title(Pack pack, String module) {
        return Optional.ofNullable(pack.modules().get(module))
                .map(PackModule::title)
                .orElse(module);
    }

    private static Row row(Pack pack, Module module, boolean shown) {
        return new Row(
                module.id(),
                title(pack, module.id()),
                module.presence().replace('_', ' '),
                module.identification().getOrDefault("software", ""),
                module.coding().stream().mapToInt(b -> b.values().size()).sum(),
                module.live().size() + module.adaptations().size(),
                module.faults().size(),
                shown);
    }

    private static Detail detail(Pack pack, Module module, List<BaselineFile> references) {
        return new Detail(
                title(pack, module.id()),
                module.identification().entrySet().stream()
                        .map(e -> new Line(identTitle(e.getKey()), e.getValue()))
                        .toList(),
                module.coding().stream().map(b -> block(pack, b)).toList(),
                module.faults().stream().map(f -> new Line(f.code(), f.title())).toList(),
                module.adaptations().stream()
                        .map(a -> new Line(a.title(), a.shown()))
                        .toList(),
                strips(pack, module, references));
    }

    static String identTitle(String key) {
        return Arrays.stream(Ident.values())
                .filter(i -> i.key().equals(key))
                .findFirst()
                .map(Ident::title)
                .orElse(key);
    }

    private static BlockView block(Pack pack, BaselineFile.Block block) {
        Layout layout = pack.layouts().get(block.id());
        return new BlockView(
                layout == null ? block.id() : layout.title(),
                block.raw().spaced(),
                block.values().entrySet().stream()
                        .map(e -> new Line(fieldTitle(layout, e.getKey()), e.getValue()))
                        .toList());
    }

    static String fieldTitle(@org.jspecify.annotations.Nullable Layout layout, String key) {
        return Optional.ofNullable(layout)
                .flatMap(l -> l.field(key))
                .map(f -> f.title())
                .orElse(key);
    }

    private static List<Strip> strips(Pack pack, Module module, List<BaselineFile> references) {
        return module.live().stream()
                .map(m -> strip(pack, module, m, references))
                .toList();
    }

    private static Strip strip(Pack pack, Module module, Measured measured, List<BaselineFile> references) {
        String name = title(pack, module.id());
        Optional<Double> value = number(measured);
        List<Double> healthy = value.isEmpty() ? List.of() : healthy(module, measured.key(), references);
        if (value.isEmpty() || healthy.isEmpty())
            return new Strip(name, measured.title(), measured.shown(), Optional.empty(), 0, 0, 0, 0);
        KnownGood good = KnownGood.of(healthy, value.get(), resolution(pack, module.id(), measured.key()));
        double low = Math.min(good.lowest(), value.get());
        double span = Math.max(Math.max(good.highest(), value.get()) - low, good.deviation());
        return new Strip(
                name,
                measured.title(),
                measured.shown(),
                Optional.of(good),
                place(value.get(), low, span),
                place(good.lowest(), low, span),
                place(good.highest(), low, span),
                place(good.median(), low, span));
    }

    private static int place(double value, double low, double span) {
        return (int) Math.round(8 + 184 * (value - low) / span);
    }

    private static Optional<Double> number(Measured measured) {
        return measured.value().isEmpty() ? Optional.empty() : Optional.of(Double.parseDouble(measured.value()));
    }

    /** Of the same model, with the same software in this module. */
    private static List<Double> healthy(Module like, String key, List<BaselineFile> references) {
        String software = like.identification().getOrDefault("software", "");
        return references.stream()
                .flatMap(f -> f.module(like.id()).stream())
                .filter(m -> m.identification().getOrDefault("software", "").equals(software))
                .flatMap(m -> m.live().stream().filter(v -> v.key().equals(key)))
                .flatMap(m -> number(m).stream())
                .toList();
    }

    private static double resolution(Pack pack, String module, String key) {
        return Optional.ofNullable(pack.modules().get(module)).stream()
                .flatMap(m -> m.live().stream())
                .filter(v -> v.key().equals(key))
                .map(LiveValue::scaling)
                .mapToDouble(LiveValue.Scaling::factor)
                .findFirst()
                .orElse(1);
    }
}
