package codrane.app.job;

import codrane.app.job.jpa.JobStore;
import codrane.app.live.JobTasks;
import codrane.app.records.AuditTrail;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.app.shelf.Shelf;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ReadResult;
import codrane.core.calibration.Shelved;
import codrane.core.job.JudgedSheet;
import codrane.core.job.SheetText;
import codrane.core.octets.Checksums;
import codrane.core.pack.FileRoute;
import codrane.core.pack.PackModule;
import codrane.core.plan.Stage;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What people do at the stage Prepare: calibrations and line sheets are got and checked. */
@Component
public class PrepareActs {
    private static final Acted DONE = new Acted.Done(Optional.empty());

    private final Acts acts;
    private final JobStore jobs;
    private final JobTasks tasks;
    private final Shelf shelf;
    private final MakerServiceClient service;
    private final AuditTrail audit;
    private final InstantSource time;

    PrepareActs(
            Acts acts,
            JobStore jobs,
            JobTasks tasks,
            Shelf shelf,
            MakerServiceClient service,
            AuditTrail audit,
            InstantSource time) {
        this.acts = acts;
        this.jobs = jobs;
        this.tasks = tasks;
        this.shelf = shelf;
        this.service = service;
        this.audit = audit;
        this.time = time;
    }

    /** Calibrations that the maker's service offers for the replaced module. */
    public List<Manifest> offers(JobFacts facts) {
        return service.calibrations(facts.pack(), facts.job().replacedModule().orElseThrow());
    }

    /** Fetches a calibration in the background, unless it is on the shelf already. */
    public Acted fetchCalibration(long number, String manifestId, String who) {
        return acts.on(number, who, Stage.PREPARE, "fetched a calibration", facts -> {
            Optional<String> closed = prepareClosed(facts);
            if (closed.isPresent()) return refused(closed.get());
            FileRoute route = facts.replaced().orElseThrow().software().file();
            if (route.way() == FileRoute.Way.MAIL)
                return refused(facts.pack().maker() + " sends this one by mail: draft the letter below.");
            List<String> open = NeedActs.beforeSpending(facts);
            if ((route.price() > 0 || route.tokens() > 0) && !open.isEmpty())
                return refused("Nothing that costs is got before these are kept: " + String.join("; ", open) + ".");
            try {
                Optional<Manifest> offer = offers(facts).stream()
                        .filter(m -> m.id().equals(manifestId))
                        .findFirst();
                if (offer.isEmpty()) return refused("The service does not offer " + manifestId + ".");
                CalibrationCheck fit = facts.fit(offer.get());
                if (!fit.usable()) return refused(String.join(" ", fit.reasons()));
                Optional<String> busy = tasks.busy(number);
                if (busy.isPresent()) return refused("Wait until this has ended: " + busy.get() + ".");
                tasks.begin(
                        number, "Fetching " + offer.get().title(), teller -> fetch(facts, offer.get(), who, teller));
                return DONE;
            } catch (ServiceException e) {
                return refused(e.getMessage());
            }
        });
    }

    private void fetch(JobFacts facts, Manifest manifest, String who, JobTasks.Teller teller) {
        Optional<Shelved> there = shelf.find(manifest.id(), manifest.sha256());
        try {
            Shelved shelved = there.orElseGet(() -> shelf.add(
                    manifest,
                    service.file(facts.pack(), manifest, done -> teller.tell(manifest.id(), done, manifest.size()))));
            Acted kept = acts.then(facts.job().number(), who, "fetched a calibration", now -> {
                if (now.runHolds()) return refused("A run began meanwhile: what it uses stays as it is.");
                shelf.prepare(now.job().id(), shelved, who);
                audit.record(
                        who,
                        there.isPresent() ? "took from the shelf" : "fetched",
                        subject(now.job().number()),
                        manifest.id());
                return DONE;
            });
            if (kept instanceof Acted.Refused(String sentence, var remedy))
                throw new JobTasks.TaskFailedException(sentence);
        } catch (ServiceException | IllegalArgumentException e) {
            throw new JobTasks.TaskFailedException(e.getMessage());
        }
    }

    /** Takes a file that the workshop has; the maker's manifest must know it. */
    public Acted uploadCalibration(long number, byte[] content, String who) {
        return acts.on(number, who, Stage.PREPARE, "took a file", facts -> {
            Optional<String> closed = prepareClosed(facts);
            if (closed.isPresent()) return refused(closed.get());
            if (CalibrationFile.read(content) instanceof ReadResult.Damaged damaged)
                return refused("The file is damaged. " + damaged.sentence());
            try {
                String sha256 = Checksums.sha256(content);
                Optional<Manifest> manifest = offers(facts).stream()
                        .filter(m -> m.sha256().equals(sha256))
                        .findFirst();
                if (manifest.isEmpty()) {
                    return refused("The maker's service knows no such file for "
                            + facts.replaced().orElseThrow().title() + ". It is not taken.");
                }
                CalibrationCheck fit = facts.fit(manifest.get());
                if (!fit.usable()) return refused(String.join(" ", fit.reasons()));
                shelf.prepare(facts.job().id(), shelf.add(manifest.get(), content), who);
                audit.record(who, "took a file", subject(number), manifest.get().id());
                return DONE;
            } catch (ServiceException e) {
                return refused(e.getMessage());
            }
        });
    }

    private static Optional<String> prepareClosed(JobFacts facts) {
        if (facts.runHolds())
            return Optional.of("A run is under way or waits to be recovered: what it uses stays as it is.");
        if (facts.plan().isEmpty()) return Optional.of("Decide first: the plan says what is needed.");
        return facts.replaced().isEmpty() ? Optional.of("This job replaces no module.") : Optional.empty();
    }

    public Acted fetchSheet(long number, String who) {
        return acts.on(number, who, Stage.PREPARE, "fetched a line sheet", facts -> {
            Optional<String> closed = prepareClosed(facts);
            if (closed.isPresent()) return refused(closed.get());
            try {
                String module = facts.job().replacedModule().orElseThrow();
                String text =
                        service.lineSheet(facts.pack(), module, facts.job().vin());
                return sheet(facts, "service of " + facts.pack().maker(), text, who);
            } catch (ServiceException e) {
                return refused(e.getMessage());
            }
        });
    }

    public Acted pasteSheet(long number, String text, String who) {
        return acts.on(
                number,
                who,
                Stage.PREPARE,
                "pasted a line sheet",
                facts -> prepareClosed(facts)
                        .<Acted>map(PrepareActs::refused)
                        .orElseGet(() -> sheet(facts, "pasted", text, who)));
    }

    private Acted sheet(JobFacts facts, String source, String text, String who) {
        PackModule module = facts.replaced().orElseThrow();
        SheetText record = new SheetText(module.id(), source, text, time.instant(), who);
        JudgedSheet judged = JudgedSheet.of(facts.pack(), module, facts.job().vin(), record);
        if (!judged.good()) return refused("The sheet is not taken. " + String.join(" ", judged.troubles()));
        jobs.sheet(facts.job().id(), record);
        audit.record(who, "took a line sheet", subject(facts.job().number()), source);
        return DONE;
    }

    private static String subject(long number) {
        return "job " + number;
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
