package codrane.app.stage.decide;

import codrane.app.job.Viewer;
import codrane.core.coding.Field;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.VehicleSettings.Setting;
import codrane.core.pack.SettingRule;
import codrane.core.plan.JobKind;
import java.util.List;
import java.util.TreeMap;

/**
 * One setting, to be given another value.
 *
 * @param values to choose from; empty when it is typed
 * @param typed what may be typed, in words; empty when it is chosen
 * @param law what the law says, as a sentence; empty when nothing
 * @param may whether this one may, and the job changes settings
 */
record LoomEdit(
        String key,
        String title,
        String now,
        String chosen,
        List<String> values,
        String typed,
        String law,
        boolean may) {
    static LoomEdit of(JobState state, Setting s, Viewer viewer) {
        SettingRule rule = state.pack().setting(s.layout().id(), s.field().key());
        return new LoomEdit(
                s.key(),
                s.title(),
                s.now(),
                s.chosen().orElse(""),
                s.field().kind() == Field.Kind.ENUMERATION
                        ? List.copyOf(new TreeMap<>(s.field().values()).values())
                        : List.of(),
                typed(s.field(), rule),
                s.law().map(r -> r.cited() + ".").orElse(""),
                changes(state, viewer));
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
        if (field.kind() == Field.Kind.ENUMERATION) return "";
        if (field.kind() != Field.Kind.SCALED) return "as it stands in the module";
        String from = rule.least().map(field::worded).orElse("");
        String to = rule.most().map(field::worded).orElse("");
        return (from.isEmpty() || to.isEmpty() ? "" : from + " to " + to + ", ") + "in steps of "
                + field.worded(field.scale().factor());
    }
}
