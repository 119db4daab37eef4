package codrane.app.job;

import codrane.app.baseline.Baselines;
import codrane.app.job.jpa.JobStore;
import codrane.app.records.AuditTrail;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.baseline.BaselineFile;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The stage Identify beyond the scan: a module asked by hand, reasons of faults, and signs of what others did. */
@Component
public class IdentifyActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());
    private static final int LONGEST_NOTE = 200;

    private final JobDesk desk;
    private final JobStore jobs;
    private final FaultNoteStore notes;
    private final Baselines baselines;
    private final Interfaces interfaces;
    private final AuditTrail audit;
    private final InstantSource time;

    IdentifyActs(
            JobDesk desk,
            JobStore jobs,
            FaultNoteStore notes,
            Baselines baselines,
            Interfaces interfaces,
            AuditTrail audit,
            InstantSource time) {
        this.desk = desk;
        this.jobs = jobs;
        this.notes = notes;
        this.baselines = baselines;
        this.interfaces = interfaces;
        this.audit = audit;
        this.time = time;
    }

    /**
     * What a careful eye sees in a scan.
     *
     * @param programmed modules that were programmed since the last visit, by somebody else
     * @param expected what a person sees while a part is not coded: no diagnosis until it is
     */
    public record Signs(List<String> programmed, List<String> expected) {}

    Signs signs(JobFacts facts, ScanRecord scan) {
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

    private List<String> programmedSince(JobFacts facts, ScanRecord scan) {
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

    /** Asks one module by its address, for one that is not found by itself, and keeps what it says. */
    public Acted ask(long number, String address, String who) {
        JobFacts facts = desk.facts(number);
        if (facts.runHolds()) return refused("A run is under way or waits to be recovered.");
        if (facts.before().isEmpty()) return refused("Scan first.");
        if (!address.strip().matches("[0-9A-Fa-f]{2}")) return refused("An address is two hex digits, like 5E.");
        int wanted = Integer.parseInt(address.strip(), 16);
        Optional<PackModule> module = facts.pack().modules().values().stream()
                .filter(m -> m.address() == wanted)
                .findFirst();
        if (module.isEmpty()) return refused("The pack knows no module at this address.");
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty()) return refused("No interface on this computer speaks to this vehicle.");
        try {
            ModuleReading reading =
                    bench.get().use(facts.pack(), link -> new VehicleScanner(link, facts.pack()).read(module.get()));
            if (!reading.answers()) return refused(module.get().title() + " does not answer at this address either.");
            Map<String, ModuleReading> all =
                    new LinkedHashMap<>(facts.latest().orElseThrow().readings());
            all.put(module.get().id(), reading);
            jobs.addScan(facts.job().id(), all, who, time.instant());
            audit.record(who, "asked a module by hand", "job " + number, address.strip());
            return DONE;
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return refused(e.getMessage());
        }
    }

    /** Notes a physical reason for a fault. */
    public Acted note(long number, String module, String code, String note, String who) {
        JobFacts facts = desk.facts(number);
        boolean known = facts.faultsBefore().stream()
                .anyMatch(f -> f.module().equals(module) && f.code().text().equals(code));
        if (!known) return refused("This fault was not read in this job.");
        if (note.isBlank() || note.length() > LONGEST_NOTE)
            return refused("Say the reason, in at most 200 characters.");
        notes.put(facts.job().id(), new FaultNote(module, code, note.strip(), time.instant(), who));
        return DONE;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
