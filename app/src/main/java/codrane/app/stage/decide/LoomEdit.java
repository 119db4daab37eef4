package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.coding.Field;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.VehicleSettings.Setting;
import codrane.core.pack.SettingRule;
import codrane.core.plan.JobKind;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One setting, to be given another value.
 *
 * @param values to choose from; none when it is only typed
 * @param keyboard of a tablet, as browsers name it
 * @param otherSide the same on the vehicle's other side
 * @param typed what may be typed, in words; empty when it is chosen
 * @param law what the law says, as a sentence; empty when nothing
 * @param may whether this one may, and the job changes settings
 */
record LoomEdit(
        String key,
        String title,
        String now,
        String chosen,
        List<Value> values,
        String typed,
        String keyboard,
        Optional<OtherSide> otherSide,
        String law,
        boolean may) {
    /** @param name with what it is called, where it has a name */
    record Value(String value, String name) {}

    /** @param sentence what is there now, and how far the two may be apart */
    record OtherSide(String key, String title, String sentence) {}

    static LoomEdit of(JobState state, Setting s, Viewer viewer) {
        SettingRule rule = state.pack().setting(s.layout().id(), s.field().key());
        return new LoomEdit(
                s.key(),
                s.title(),
                s.now(),
                s.chosen().orElse(""),
                values(s.field(), rule),
                typed(s.field(), rule),
                s.field().kind() == Field.Kind.TEXT || rule.tyre() ? "text" : "decimal",
                rule.otherSide().flatMap(side -> otherSide(state, s, side)),
                s.law().map(r -> r.cited() + ".").orElse(""),
                changes(state, viewer));
    }

    private static List<Value> values(Field field, SettingRule rule) {
        if (field.kind() != Field.Kind.ENUMERATION)
            return rule.presets().stream()
                    .map(p -> new Value(p.value(), p.name() + ": " + p.value()))
                    .toList();
        return new TreeMap<>(field.values())
                .values().stream().map(v -> new Value(v, v)).toList();
    }

    private static Optional<OtherSide> otherSide(JobState state, Setting s, SettingRule.OtherSide side) {
        Optional<Field> field = s.layout().field(side.field());
        Optional<String> now = state.after()
                .or(state::before)
                .flatMap(scan -> PlanFacts.value(state, scan, s.layout().id(), side.field()));
        return field.map(f -> new OtherSide(
                s.layout().id() + "/" + f.key(),
                f.title(),
                now.map(v -> " was read as " + v).orElse(" was not read") + "; the two may be " + f.worded(side.apart())
                        + " apart."));
    }

    /** Whether this one changes settings of this job by name; an instruction is about one byte of one line. */
    static boolean changes(JobState state, Viewer viewer) {
        JobKind kind = state.job().kind();
        return PlanFacts.byName(kind)
                && kind != JobKind.CHANGE_LINE
                && state.job().closedAt().isEmpty()
                && viewer.may(state.job().number(), "decide/setting");
    }

    private static String typed(Field field, SettingRule rule) {
        if (field.kind() != Field.Kind.SCALED) return field.range();
        String from = rule.least().map(field::worded).orElse("");
        String to = rule.most().map(field::worded).orElse("");
        return (from.isEmpty() || to.isEmpty() ? "" : from + " to " + to + ", ") + "in steps of "
                + field.worded(field.scale().factor())
                + (rule.tyre() ? "; or the size that stands on the tyre, as 225/75R16C" : "");
    }
}
