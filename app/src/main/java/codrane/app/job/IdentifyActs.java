package codrane.app.job;

import codrane.app.baseline.Baselines;
import codrane.core.baseline.BaselineFile;
import codrane.core.job.FaultNote;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.Stage;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The stage Identify beyond the scan: reasons of faults, and signs of what others did. */
@Component
public class IdentifyActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private static final int LONGEST_NOTE = 200;

    private final Acts acts;
    private final FaultNoteStore notes;
    private final Baselines baselines;
    private final InstantSource time;

    IdentifyActs(Acts acts, FaultNoteStore notes, Baselines baselines, InstantSource time) {
        this.acts = acts;
        this.notes = notes;
        this.baselines = baselines;
        this.time = time;
    }

    /**
     * What a careful eye sees in a scan.
     *
     * @param programmed modules that were programmed since the last visit, by somebody else
     * @param expected what a person sees while a part is not coded: no diagnosis until it is
     */
    public record Signs(List<String> programmed, List<String> expected) {}

    Signs signs(JobFacts facts, Scan scan) {
        List<String> expected = new ArrayList<>();
        for (PackModule module : facts.pack().modules().values()) {
            ModuleReading reading = scan.readings().get(module.id());
            boolean blank = reading != null
                    && reading.answers()
                    && CodingState.of(facts.pack(), module, reading, facts.job().vin()) == CodingState.BLANK;
            if (blank && !module.traits().uncodedLooks().isEmpty())
                expected.add(module.title() + ": "
                        + String.join(", ", module.traits().uncodedLooks()) + ".");
        }
        return new Signs(programmedSince(facts, scan), expected);
    }

    private List<String> programmedSince(JobFacts facts, Scan scan) {
        return baselines
                .asLeft(facts.job().vehicleId(), facts.job().id())
                .map(summary -> baselines.file(summary.id()))
                .map(last -> facts.pack().modules().values().stream()
                        .flatMap(m -> programmedSince(m, scan.readings().get(m.id()), last).stream())
                        .toList())
                .orElse(List.of());
    }

    private static Optional<String> programmedSince(
            PackModule module, @org.jspecify.annotations.Nullable ModuleReading now, BaselineFile last) {
        Optional<String> was =
                last.module(module.id()).map(m -> m.identification().getOrDefault("counter", ""));
        Optional<String> is =
                Optional.ofNullable(now).flatMap(r -> r.octets(Ident.COUNTER)).map(Bytes::hex);
        boolean both = was.isPresent() && is.isPresent() && was.get().matches("[0-9A-F]{2,8}");
        if (!both || was.equals(is)) return Optional.empty();
        return Optional.of(module.title() + " counts " + Long.parseLong(is.get(), 16)
                + " programmings; at the last visit it was " + Long.parseLong(was.get(), 16)
                + ". Somebody else programmed it since, or it is another part.");
    }

    /** Notes a physical reason for a fault. */
    public Acted note(long number, String module, String code, String note, String who) {
        return acts.on(number, who, Stage.IDENTIFY, "noted the reason of a fault", facts -> {
            boolean known = facts.faultsBefore().stream()
                    .anyMatch(f -> f.module().equals(module) && f.code().text().equals(code));
            if (!known) return refused("This fault was not read in this job.");
            if (note.isBlank() || note.length() > LONGEST_NOTE)
                return refused("Say the reason, in at most 200 characters.");
            notes.put(facts.job().id(), new FaultNote(module, code, note.strip(), time.instant(), who));
            return DONE;
        });
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
