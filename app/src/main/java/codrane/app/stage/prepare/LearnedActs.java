package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.notes.Notes;
import codrane.app.records.AuditTrail;
import codrane.core.job.JobState;
import codrane.core.job.stage.PrepareStage;
import codrane.core.octets.Bytes;
import codrane.core.pack.Adaptation;
import codrane.core.pack.LiveValue.Scaling;
import codrane.core.pack.PackModule;
import codrane.core.ready.Need;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What an old part had learned and nobody could read: typed from its label, or as the maker tells it. */
@Component
public class LearnedActs {
    private final Acts acts;
    private final Notes notes;
    private final AuditTrail audit;

    LearnedActs(Acts acts, Notes notes, AuditTrail audit) {
        this.acts = acts;
        this.notes = notes;
        this.audit = audit;
    }

    /** @param typed by key of the adaptation, in its unit */
    public Acted type(long number, String module, Map<String, String> typed, String who) {
        return acts.on(number, who, PrepareStage.TYPE_LEARNED, state -> {
            if (!needed(state, module)) return Acted.refused("The plan needs no learned values of this module.");
            Map<String, Bytes> values = new LinkedHashMap<>();
            PackModule learner = state.pack().module(module);
            for (Adaptation adaptation : learner.adaptations()) {
                Optional<Bytes> octets = octets(adaptation.scaling(), typed.getOrDefault(adaptation.key(), ""));
                if (octets.isEmpty())
                    return Acted.refused(
                            adaptation.title() + " is a number " + range(adaptation.scaling()) + ". Nothing was kept.");
                values.put(adaptation.key(), octets.get());
            }
            notes.put(state.job().id(), LearnedStored.KIND, module, LearnedStored.of(values), who);
            audit.record(who, "typed learned values", "job " + number, module);
            return Acted.done();
        });
    }

    private static boolean needed(JobState state, String module) {
        return state.readiness().stream()
                .flatMap(r -> r.needs().stream())
                .anyMatch(n -> n.kind() == Need.Kind.LEARNED && n.what().equals(module));
    }

    /** Empty for what is no number, or does not fit. */
    static Optional<Bytes> octets(Scaling scaling, String typed) {
        String text = typed.strip().replace(',', '.').replace('\u2212', '-');
        if (!text.matches("-?\\d{1,7}(\\.\\d{1,4})?")) return Optional.empty();
        double value = new BigDecimal(text).doubleValue();
        long raw = Math.round((value - scaling.offset()) / scaling.factor());
        if (raw < 0 || raw > most(scaling)) return Optional.empty();
        int[] octets = new int[scaling.octets()];
        for (int i = octets.length - 1; i >= 0; i--, raw >>= 8) octets[i] = (int) (raw & 0xFF);
        return Optional.of(Bytes.of(octets));
    }

    private static long most(Scaling scaling) {
        return (1L << scaling.bits()) - 1;
    }

    static String range(Scaling scaling) {
        return "from " + scaling.text(0) + " to " + scaling.text(most(scaling)) + " " + scaling.unit();
    }
}
