package codrane.app.stage.decide;

import codrane.core.baseline.PutBack;
import codrane.core.coding.BlockCheck;
import codrane.core.job.JobState;
import codrane.core.job.PlanFacts;
import codrane.core.job.Scan;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.LineInstruction;
import codrane.core.plan.SettingChange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
            String what =
                    setting.whole() ? bytes(state.pack(scan), setting) : setting.found() + " → " + setting.value();
            chosen.add(new Chosen(setting.key(), where, what));
        }
        return chosen;
    }

    /** Bytes that differ, as lines are counted; the check follows by itself. */
    private static String bytes(Pack pack, PutBack setting) {
        PackModule module = pack.module(setting.module());
        BlockCheck check = pack.layout(setting.layout()).check();
        String from = setting.found();
        String to = setting.value();
        List<String> differ = new ArrayList<>();
        for (int i = 0; i + 2 <= from.length() && i + 2 <= to.length(); i += 2) {
            boolean checks =
                    i / 2 >= check.at() && i / 2 < check.at() + check.kind().octets();
            if (!checks && !from.substring(i, i + 2).equals(to.substring(i, i + 2)))
                differ.add(LineInstruction.place(pack, module, setting.layout(), i / 2) + ": "
                        + from.substring(i, i + 2) + " → " + to.substring(i, i + 2));
        }
        return String.join(", ", differ) + (check.kind().octets() > 0 ? "; its check follows" : "");
    }
}
