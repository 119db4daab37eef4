package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.ReferenceCoding;
import codrane.core.job.stage.PrepareStage;
import codrane.core.text.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Settings judged one by one, where the sources of a coding disagree. */
@Component
public class GapActs {
    private final Acts acts;
    private final Notes notes;
    private final AuditTrail audit;

    GapActs(Acts acts, Notes notes, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.audit = audit;
    }

    /** @param said values by layout and field, beside what every form sends; those judged before stay */
    public Acted judge(long number, Map<String, String> said, String who) {
        return acts.on(number, who, PrepareStage.JUDGE_GAPS, state -> {
            Optional<ReferenceCoding> coding = ReferenceCoding.of(state);
            if (coding.isEmpty()) return Acted.refused("The plan takes no coding from other vehicles.");
            Map<String, String> judged =
                    new LinkedHashMap<>(state.prepared().typed().gaps());
            int now = 0;
            for (ReferenceCoding.Line gap : coding.get().gaps()) {
                String value = said.get(gap.key());
                if (value == null) continue;
                List<String> can = gap.options().stream()
                        .map(ReferenceCoding.Option::value)
                        .toList();
                if (!can.contains(value))
                    return Acted.refused(
                            gap.field().title() + " is " + String.join(" or ", can) + ". Nothing was kept.");
                judged.put(gap.key(), value);
                now++;
            }
            if (now == 0) return Acted.refused("Choose at least one value first.");
            notes.put(state.job().id(), GapsStored.KIND, new GapsStored(judged), who);
            audit.record(
                    who,
                    "judged settings",
                    "job " + number,
                    Words.count(now, "setting") + " of the "
                            + coding.get().module().lowerTitle());
            return Acted.done();
        });
    }
}
