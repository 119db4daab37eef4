package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code order change PACK CODES +A -B… [--held BLOCK/FIELD=VALUE]… [--json]}. */
@Command(name = "change", description = "What changes in the modules when codes go in (+) and out (-) of an order.")
final class OrderChangeCommand extends OrderCommand {
    @Parameters(index = "2..*", arity = "1..*", paramLabel = "+A -B", description = "codes in and out")
    private List<String> changes;

    @Option(
            names = "--held",
            paramLabel = "BLOCK/FIELD=VALUE",
            description = "what a module holds, where that is not what its order says")
    private List<String> held = List.of();

    private record Change(String module, String block, String field, String title, String from, String to) {
        static Change of(OrderEffect.Change change) {
            return new Change(
                    change.module(),
                    change.setting().layout(),
                    change.setting().field(),
                    change.title(),
                    change.from(),
                    change.to());
        }
    }

    private record Told(
            String pack,
            List<String> codes,
            List<String> modules,
            List<Change> intended,
            List<Change> sideEffects,
            List<String> silent,
            List<String> emptyFamilies) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = pack();
        List<String> now = codes(pack);
        List<String> out = signed(pack, '-');
        List<String> in = signed(pack, '+');
        against(now, out, in);
        OrderEffect effect = OrderEffect.of(pack, now, out, in, held(pack));
        families(pack, effect.codes());
        Told told = new Told(
                pack.id(),
                effect.codes(),
                effect.modules(),
                effect.intended().stream().map(Change::of).toList(),
                effect.sideEffects().stream().map(Change::of).toList(),
                effect.silent(),
                effect.emptyFamilies());
        output().result("order-change", told, text(pack, effect));
        return Main.GOOD;
    }

    private List<String> signed(Pack pack, char sign) {
        List<String> codes = new ArrayList<>();
        for (String change : changes) {
            if (change.length() < 2 || change.charAt(0) != '+' && change.charAt(0) != '-')
                throw new UsageException("\"" + InputFile.quoted(change) + "\" (expected +CODE or -CODE)");
            if (change.charAt(0) == sign)
                codes.add(known(pack, change.substring(1).toUpperCase(Locale.ROOT)));
        }
        return codes;
    }

    private static void against(List<String> now, List<String> out, List<String> in) {
        for (String code : out)
            if (!now.contains(code) && !in.contains(code)) throw new UsageException(code + " is not in the order");
        for (String code : in)
            if (now.contains(code) && !out.contains(code)) throw new UsageException(code + " is in the order already");
    }

    private Map<Setting, String> held(Pack pack) {
        Map<Setting, String> values = new LinkedHashMap<>();
        for (String text : held) {
            String[] sides = text.split("=", 2);
            String[] name = sides[0].split("/", 2);
            Layout layout = pack.layouts().get(name[0]);
            if (sides.length < 2
                    || name.length < 2
                    || layout == null
                    || layout.field(name[1]).isEmpty())
                throw new UsageException("--held: \"" + InputFile.quoted(text) + "\" (expected BLOCK/FIELD=VALUE)");
            if (layout.encode(Map.of(name[1], sides[1]), Bytes.filled(layout.length(), 0))
                    instanceof Layout.Encoded.Refused(String reason)) throw new UsageException("--held: " + reason);
            values.put(new Setting(name[0], name[1]), sides[1]);
        }
        return values;
    }

    private static String text(Pack pack, OrderEffect effect) {
        StringBuilder text = new StringBuilder("The order then: " + String.join(" ", effect.codes()));
        if (effect.modules().isEmpty()) text.append("%nNo module's coding changes.".formatted());
        effect.intended().forEach(c -> line(text, pack, "", c));
        effect.sideEffects().forEach(c -> line(text, pack, "Side effect: ", c));
        effect.silent().forEach(code -> text.append("%nNo rule of the pack says anything of %s.".formatted(code)));
        effect.emptyFamilies().forEach(f -> text.append("%nNo code of the family \"%s\" is left.".formatted(f)));
        return text.toString();
    }

    private static void line(StringBuilder text, Pack pack, String before, OrderEffect.Change change) {
        text.append("%n%s%s: %s".formatted(before, pack.module(change.module()).title(), change.words()));
    }
}
