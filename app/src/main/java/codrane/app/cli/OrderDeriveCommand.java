package codrane.app.cli;

import codrane.core.order.OrderCoding;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;

/** {@code order derive PACK CODES [--json]}. */
@Command(name = "derive", description = "What a vehicle order says of the coding of each module.")
final class OrderDeriveCommand extends OrderCommand {
    private record SettingTold(String block, String field, String title, String value) {}

    private record ModuleTold(String module, String title, List<SettingTold> settings) {}

    private record Told(String pack, List<String> codes, List<ModuleTold> modules, List<String> emptyFamilies) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = pack();
        List<String> codes = codes(pack);
        Map<Setting, String> values =
                OrderCoding.derive(pack.equipment().order().orElseThrow(), codes);
        List<ModuleTold> modules = new ArrayList<>();
        StringBuilder text = new StringBuilder();
        for (PackModule module : pack.modules().values()) {
            List<SettingTold> settings = values.entrySet().stream()
                    .filter(v -> module.blocks().contains(v.getKey().layout()))
                    .map(v -> told(pack, v.getKey(), v.getValue()))
                    .toList();
            if (settings.isEmpty()) continue;
            modules.add(new ModuleTold(module.id(), module.title(), settings));
            settings.forEach(s -> text.append("%s: %s: %s%n".formatted(module.title(), s.title(), s.value())));
        }
        List<String> empty =
                OrderEffect.of(pack, codes, List.of(), List.of(), Map.of()).emptyFamilies();
        empty.forEach(family -> text.append("No code of the family \"%s\".%n".formatted(family)));
        output().result(
                        "order-derive",
                        new Told(pack.id(), codes, modules, empty),
                        text.toString().stripTrailing());
        return Main.GOOD;
    }

    private static SettingTold told(Pack pack, Setting setting, String value) {
        String title = Places.title(pack, setting.layout(), setting.field());
        return new SettingTold(setting.layout(), setting.field(), title, value);
    }
}
