package codrane.app.newjob;

import codrane.app.job.Acts;
import codrane.app.job.JobStore;
import codrane.app.job.Vehicles;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.core.job.Job;
import codrane.core.job.WantedForm;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import java.time.InstantSource;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Takes in new jobs. */
@Component
public class JobIntake {
    private static final String JOB = "job ";

    private final PackShelf packs;
    private final JobStore jobs;
    private final Vehicles vehicles;
    private final Acts acts;
    private final AuditTrail audit;
    private final InstantSource time;

    JobIntake(PackShelf packs, JobStore jobs, Vehicles vehicles, Acts acts, AuditTrail audit, InstantSource time) {
        this.vehicles = vehicles;
        this.acts = acts;
        this.packs = packs;
        this.jobs = jobs;
        this.audit = audit;
        this.time = time;
    }

    /**
     * A typed VIN as judged, for people.
     *
     * @param model title of its pack
     * @param suggestions what was meant perhaps; vehicles that were here before first
     * @param jobs that are open on this very vehicle
     */
    public record VinView(
            boolean valid,
            String reason,
            String spelled,
            String vehicle,
            String model,
            List<String> suggestions,
            List<Open> jobs) {}

    /** An open job, with what it is about. */
    public record Open(long number, String title) {}

    /** What became of a new job. */
    public sealed interface Taken {
        record Job(long number) implements Taken {}

        record Rejected(String field, String sentence) implements Taken {}
    }

    public VinView check(String typed) {
        VinCheck check = VinCheck.of(typed, packs.ruleFor(typed));
        if (check.vin().isEmpty()) {
            List<String> meant = Stream.concat(
                            vehicles.near(typed.replaceAll("[\\s-]", "").toUpperCase(Locale.ROOT)).stream(),
                            check.suggestions().stream())
                    .distinct()
                    .toList();
            return new VinView(false, check.reason(), "", "", "", meant, List.of());
        }
        Vin vin = check.vin().get();
        Optional<Pack> pack = packs.of(vin);
        String vehicle = pack.map(p -> p.maker() + " " + p.modelOf(vin).orElse("") + years(check))
                .orElse("");
        String reason =
                pack.isPresent() ? check.reason() : "The VIN is well-formed, but no pack on this computer covers it.";
        Optional<Job.Vehicle> known = vehicles.find(vin.text());
        return new VinView(
                pack.isPresent(),
                reason,
                vin.spelled(),
                vehicle,
                pack.map(Pack::title).orElse(""),
                known.isPresent() ? List.of() : vehicles.near(vin.text()),
                known.map(this::open).orElse(List.of()));
    }

    private List<Open> open(Job.Vehicle vehicle) {
        return jobs.ofVehicle(vehicle.id()).stream()
                .filter(job -> job.closedAt().isEmpty())
                .map(job -> new Open(job.number(), title(job)))
                .toList();
    }

    private String title(Job job) {
        return job.replacedModule()
                        .map(module -> packs.get(job.packId()).module(module).title() + ": ")
                        .orElse("")
                + job.kind().title();
    }

    private static String years(VinCheck check) {
        return check.modelYears().isEmpty()
                ? ""
                : ", model year " + check.modelYears().getFirst();
    }

    /** Takes a job in; the same form pressed twice leads to the same job. */
    public Taken take(NewJobForm form, String who) {
        return acts.making(
                () -> takeIn(form, who), what -> new Taken.Job(Long.parseLong(what.substring(JOB.length()))));
    }

    private Taken takeIn(NewJobForm form, String who) {
        VinCheck check = VinCheck.of(form.vin(), packs.ruleFor(form.vin()));
        if (check.vin().isEmpty()) return new Taken.Rejected("vin", check.reason());
        Vin vin = check.vin().get();
        Optional<Pack> pack = packs.of(vin);
        if (pack.isEmpty()) return new Taken.Rejected("vin", "No pack on this computer covers this VIN.");
        return switch (form.wanted().read(pack.get())) {
            case WantedForm.Read.Wrong(String field, String sentence) -> new Taken.Rejected(field, sentence);
            case WantedForm.Read.Good(Job.Wanted wanted) -> add(vin, pack.get(), wanted, who);
        };
    }

    private Taken add(Vin vin, Pack pack, Job.Wanted wanted, String who) {
        long number = jobs.add(new JobStore.NewJob(vin, pack, wanted), who, time.instant());
        audit.record(who, "took in", "job " + number, vin.text());
        acts.made(JOB + number, who);
        return new Taken.Job(number);
    }

    /** Whether no vehicle was ever taken in. */
    public boolean nothingTakenIn() {
        return vehicles.none();
    }

    /** Modules of all packs, for the choice of what was replaced: pack title, then id and title. */
    public List<Pack> packs() {
        return packs.all();
    }
}
