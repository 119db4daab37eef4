package codrane.app.stage.decide;

import codrane.core.baseline.PutBack;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Settings that can be chosen by name, and those that are.
 *
 * @param byLine whether a line is named instead, from an instruction
 */
public record Choices(List<Chosen> chosen, List<Choice> choices, boolean byLine) {
    /** A setting that is to be changed. */
    public record Chosen(String key, String title, String change) {}

    /** A setting that can be chosen. */
    public record Choice(String key, String title, String now, List<String> values) {}

    /** Empty when the job changes no setting by name. */
    static Optional<Choices> of(JobState state, Scan scan, VehicleFacts facts) {
        JobKind kind = state.job().kind();
        if (!PlanFacts.byName(kind)) return Optional.empty();
        boolean line = kind == JobKind.CHANGE_LINE;
        return Optional.of(new Choices(chosen(state, facts), line ? List.of() : choices(state, scan), line));
    }

    private static List<Chosen> chosen(JobState state, VehicleFacts facts) {
        List<Chosen> chosen = new ArrayList<>();
        for (int i = 0; i < state.putBack().size(); i++) {
            PutBack setting = state.putBack().get(i);
            SettingChange change = facts.wishes().settings().get(i);
            String where = state.pack().module(setting.module()).title() + ": " + change.title();
            String what = setting.whole()
                    ? octets(setting.found(), setting.value())
                    : setting.found() + " → " + setting.value();
            chosen.add(new Chosen(setting.key(), where, what));
        }
        return chosen;
    }

    /** Octets that differ, by their place in the block from 0. */
    private static String octets(String from, String to) {
        List<String> differ = new ArrayList<>();
        for (int i = 0; i + 2 <= from.length() && i + 2 <= to.length(); i += 2)
            if (!from.substring(i, i + 2).equals(to.substring(i, i + 2)))
                differ.add("octet " + i / 2 + ": " + from.substring(i, i + 2) + " → " + to.substring(i, i + 2));
        return String.join(", ", differ);
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
