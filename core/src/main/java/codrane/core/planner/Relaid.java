package codrane.core.planner;

import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.VehicleFacts;
import codrane.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a person is told when the new software keeps a module's coding otherwise than the old one did. */
final class Relaid {
    private static final int MOST_NAMED = 4;

    private Relaid() {}

    /** Empty when it keeps it alike, or the old software was not read. */
    static Optional<String> by(VehicleFacts facts, PackModule module) {
        String before = facts.answer(module.id()).software();
        List<String> fresh = new ArrayList<>();
        List<String> gone = new ArrayList<>();
        boolean relaid = false;
        for (String block : module.blocks()) {
            Pack read = facts.pack().as(Map.of(module.id(), before));
            Layout from = read.layout(block);
            Layout to = facts.pack().layout(block);
            if (from.equals(to) || !read.knows(block)) continue;
            relaid = true;
            for (Field field : to.fields())
                if (from.field(field.key()).isEmpty()) fresh.add("\"" + field.title() + "\" " + built(to, field));
            for (Field field : from.fields())
                if (to.field(field.key()).isEmpty()) gone.add("\"" + field.title() + "\"");
        }
        if (!relaid) return Optional.empty();
        return Optional.of("Software " + facts.target(module) + " keeps the coding otherwise than " + before
                + ": each setting goes to its new place, bits that no setting explains do not."
                + (fresh.isEmpty() ? "" : " New, and as built: " + named(fresh) + ".")
                + (gone.isEmpty() ? "" : " Not there any more: " + named(gone) + "."));
    }

    private static String built(Layout layout, Field field) {
        return layout.worded(
                field.key(), layout.factory().getOrDefault(field.key(), field.read(Bytes.filled(layout.length(), 0))));
    }

    private static String named(List<String> settings) {
        if (settings.size() <= MOST_NAMED) return String.join(", ", settings);
        return String.join(", ", settings.subList(0, MOST_NAMED)) + " and "
                + Words.count(settings.size() - MOST_NAMED, "more setting");
    }
}
