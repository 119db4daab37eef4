package codrane.app.stage.decide;

import codrane.core.baseline.PutBack;
import codrane.core.coding.BlockCheck;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.plan.SettingChange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Settings that can be chosen by name, and those that are.
 *
 * @param byLine whether a line is named instead, from an instruction
 * @param about what the job itself is about: settings may come with it
 */
public record Choices(List<Chosen> chosen, List<Choice> choices, boolean byLine, JobKind.About about) {
    /** A setting that is to be changed. */
    public record Chosen(String key, String title, String change) {}

    /** A setting that can be chosen. */
    public record Choice(String key, String title, String now, List<String> values) {}

    /** Empty when the job changes no setting by name. */
    static Optional<Choices> of(JobState state, Scan scan) {
        JobKind kind = state.job().kind();
        if (!PlanFacts.byName(kind)) return Optional.empty();
        boolean line = kind == JobKind.CHANGE_LINE;
        return Optional.of(
                new Choices(chosen(state, scan), line ? List.of() : choices(state, scan), line, kind.about()));
    }

    private static List<Chosen> chosen(JobState state, Scan scan) {
        List<Chosen> chosen = new ArrayList<>();
        for (PutBack setting : PlanFacts.chosenByName(state)) {
            SettingChange change = SettingChange.of(state.pack(), scan.readings(), setting);
            String where = state.pack().module(setting.module()).title() + ": " + change.title();
            String what = setting.whole() ? bytes(state, setting) : setting.found() + " → " + setting.value();
            chosen.add(new Chosen(setting.key(), where, what));
        }
        return chosen;
    }

    /** Bytes that differ, as lines are counted; the check follows by itself. */
    private static String bytes(JobState state, PutBack setting) {
        PackModule module = state.pack().module(setting.module());
        BlockCheck check = state.pack().layout(setting.layout()).check();
        String from = setting.found();
        String to = setting.value();
        List<String> differ = new ArrayList<>();
        for (int i = 0; i + 2 <= from.length() && i + 2 <= to.length(); i += 2) {
            boolean checks =
                    i / 2 >= check.at() && i / 2 < check.at() + check.kind().octets();
            if (!checks && !from.substring(i, i + 2).equals(to.substring(i, i + 2)))
                differ.add(LineInstruction.place(state.pack(), module, setting.layout(), i / 2) + ": "
                        + from.substring(i, i + 2) + " → " + to.substring(i, i + 2));
        }
        return String.join(", ", differ) + (check.kind().octets() > 0 ? "; its check follows" : "");
    }

    private static List<Choice> choices(JobState state, Scan scan) {
        List<Choice> choices = new ArrayList<>();
        for (PackModule module : state.pack().modules().values())
            for (Layout layout : state.pack().blocksOf(module))
                for (Field field : layout.fields())
                    choice(state, scan, module, layout, field).ifPresent(choices::add);
        return choices;
    }

    /** What says for which vehicle a block was made is nobody's to choose. */
    private static Optional<Choice> choice(JobState state, Scan scan, PackModule module, Layout layout, Field field) {
        if (field.key().equals(state.pack().madeFor().get(layout.id()))) return Optional.empty();
        return PlanFacts.value(state, scan, layout.id(), field.key())
                .map(now -> new Choice(
                        layout.id() + "/" + field.key(),
                        module.title() + ": " + field.title(),
                        now,
                        List.copyOf(field.values().values())));
    }
}
