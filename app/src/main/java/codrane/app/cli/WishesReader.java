package codrane.app.cli;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Places;
import codrane.core.plan.SettingChange;
import codrane.core.plan.Wishes;
import codrane.core.planner.PlanQuestions.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** What is wished, in the facts of a plan. */
final class WishesReader extends AskedJson {
    WishesReader(JsonNode in, List<Question> questions) {
        super(in, questions);
    }

    Wishes wishes(Pack pack) {
        List<SettingChange> settings = new ArrayList<>();
        for (JsonNode setting : in.path("settings")) setting(pack, setting).ifPresent(settings::add);
        List<String> features = new ArrayList<>();
        for (String key : List.of("feature", "features")) { // one or several, whichever of the two names it has
            if (in.path(key).isArray()) features.addAll(texts(in.path(key)));
            else if (!text(key).isEmpty()) features.add(text(key));
        }
        for (String feature : features)
            if (pack.equipment().feature(feature).isEmpty())
                ask(
                        "which-equipment",
                        in.has("features") ? "features" : "feature",
                        "The pack knows no equipment \"" + feature + "\": which of "
                                + String.join(
                                        ", ",
                                        pack.equipment().features().stream()
                                                .map(f -> f.id())
                                                .toList())
                                + "?");
        JsonNode order = object("order", Set.of("now", "out", "in"));
        Set<String> known =
                pack.equipment().order().map(o -> o.titles().keySet()).orElse(Set.of());
        Wishes.OrderChange change = new Wishes.OrderChange(
                codes(order, "now", known), codes(order, "out", known), codes(order, "in", known));
        return new Wishes(
                settings,
                pack.equipment().features(features).stream().map(f -> f.id()).toList(),
                change);
    }

    private List<String> codes(JsonNode order, String key, Set<String> known) {
        List<String> codes = texts(order.path(key));
        for (String code : codes)
            if (!known.contains(code))
                ask("which-codes", "order." + key, "The pack knows no option code \"" + code + "\": which is meant?");
        return codes;
    }

    private Optional<SettingChange> setting(Pack pack, JsonNode in) {
        String block = in.path("block").asString("");
        String field = in.path("field").asString("");
        Layout layout = pack.layouts().get(block);
        Optional<PackModule> holder = pack.holder(block);
        if (layout == null || holder.isEmpty() || layout.field(field).isEmpty()) {
            ask(
                    "which-settings",
                    "settings",
                    "The pack knows no setting \"" + block + "/" + field + "\": which is meant?");
            return Optional.empty();
        }
        String to = pack.setting(block, field)
                .meant(in.path("to").asString(""), layout.field(field).orElseThrow());
        boolean needed = in.has("to");
        if (needed
                && layout.encode(Map.of(field, to), Bytes.filled(layout.length(), 0))
                        instanceof Layout.Encoded.Refused(String reason)) {
            ask("to-what", "settings", reason + " What is it to be?");
            return Optional.empty();
        }
        return Optional.of(new SettingChange(
                holder.get().id(),
                block,
                field,
                Places.title(pack, block, field),
                in.path("from").asString(""),
                to,
                Optional.empty()));
    }
}
