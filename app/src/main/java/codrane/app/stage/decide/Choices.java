package codrane.app.stage.decide;

import codrane.core.baseline.PutBack;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.pack.Pack;
import codrane.core.pack.Places;
import codrane.core.plan.JobKind;
import codrane.core.plan.SettingChange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Settings that were chosen by name.
 *
 * @param byLine whether a line is named instead, from an instruction
 * @param bySound whether what is measured helps to choose
 * @param about what the job itself is about: settings may come with it
 */
public record Choices(List<Chosen> chosen, boolean byLine, boolean bySound, JobKind.About about) {
    /** A setting that is to be changed. */
    public record Chosen(String key, String title, String change) {}

    /** Empty when the job changes no setting by name. */
    static Optional<Choices> of(JobState state, Scan scan) {
        JobKind kind = state.job().kind();
        if (!PlanFacts.byName(kind)) return Optional.empty();
        boolean line = kind == JobKind.CHANGE_LINE;
        return Optional.of(new Choices(chosen(state, scan), line, kind == JobKind.CHOOSE_VARIANT, kind.about()));
    }

    private static List<Chosen> chosen(JobState state, Scan scan) {
        List<Chosen> chosen = new ArrayList<>();
        for (PutBack setting : PlanFacts.chosenByName(state)) {
            SettingChange change = SettingChange.of(state.packWritten(), scan.readings(), setting);
            String where = state.pack().module(setting.module()).title() + ": " + change.title();
            chosen.add(new Chosen(setting.key(), where, what(state.pack(scan), change)));
        }
        return chosen;
    }

    /** A whole block by what it means, then by its bytes. */
    private static String what(Pack pack, SettingChange change) {
        if (change.from().equals(change.to()))
            return change.whole() ? "is there already" : change.to() + ", is there already";
        if (!change.whole()) return change.from() + " → " + change.to();
        List<SettingChange> parts = change.parts(pack);
        String meant = parts.stream()
                .map(p -> (parts.size() == 1 ? "" : p.title() + ": ") + p.from() + " → " + p.to())
                .collect(Collectors.joining("; "));
        return meant + " (" + Places.bytes(pack, change.block(), change.from(), change.to()) + ")";
    }
}
