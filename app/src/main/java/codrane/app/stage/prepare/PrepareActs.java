package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
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
import codrane.core.job.FileFit;
import codrane.core.job.JobState;
import codrane.core.job.act.SpendingTooEarly;
import codrane.core.job.stage.PrepareStage;
import codrane.core.octets.Source;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/** Calibrations are got and checked: downloaded, or taken from a file that the workshop has. */
@Component
public class PrepareActs {
    private final Acts acts;
    private final JobTasks tasks;
    private final Shelf shelf;
    private final Offers offers;
    private final MakerServiceClient service;
    private final AuditTrail audit;

    PrepareActs(Acts acts, JobTasks tasks, Shelf shelf, Offers offers, MakerServiceClient service, AuditTrail audit) {
        this.acts = acts;
        this.tasks = tasks;
        this.shelf = shelf;
        this.offers = offers;
        this.service = service;
        this.audit = audit;
    }

    /**
     * Fetches a calibration in the background, unless it is on the shelf already.
     *
     * @param agreed what the person was told that it costs; empty: nothing was agreed to
     */
    public Acted fetch(long number, String manifestId, String agreed, String who) {
        return acts.asking(number, who, PrepareStage.FETCH, PrepareActs::sentByMail, asked -> {
            try {
                Optional<Manifest> offer = offered(asked, m -> m.id().equals(manifestId));
                if (offer.isEmpty()) return state -> Acted.refused("The service does not offer " + manifestId + ".");
                return state -> begun(state, offer.get(), agreed, who);
            } catch (ServiceException e) {
                return state -> Acted.refused(Words.said(e));
            }
        });
    }

    private static Optional<Acted> sentByMail(JobState state) {
        return PrepareStage.byMail(state)
                ? Optional.of(Acted.refused(state.pack().maker() + " sends this one by mail: draft the letter below."))
                : Optional.empty();
    }

    private Acted begun(JobState state, Manifest offer, String agreed, String who) {
        CalibrationCheck fit = CalibrationCheck.origin(offer, state.pack()).orElseGet(() -> FileFit.of(state, offer));
        if (!fit.usable()) return Acted.refused(String.join(" ", fit.reasons()));
        String cost = cost(state, offer);
        Optional<Acted> early = cost.isEmpty() ? Optional.empty() : notBought(state, cost, agreed);
        if (early.isPresent()) return early.get();
        long number = state.job().number();
        Optional<Acted> busy = acts.busy(number);
        if (busy.isPresent()) return busy.get();
        tasks.begin(number, "Fetching " + offer.title(), teller -> fetch(state, offer, who, teller));
        return Acted.done();
    }

    /** What is to be paid, in words; empty for what costs nothing, and for what is on the shelf: that was paid. */
    private String cost(JobState state, Manifest offer) {
        boolean paid = shelf.find(offer.id(), offer.sha256()).isPresent();
        return paid ? "" : state.replaced().orElseThrow().software().file().cost();
    }

    /** The price that was agreed to must be the one that is paid. */
    private static Optional<Acted> notBought(JobState state, String cost, String agreed) {
        List<String> open = SpendingTooEarly.open(state);
        if (!open.isEmpty())
            return Optional.of(
                    Acted.refused("Nothing that costs is got before these are kept: " + String.join("; ", open) + "."));
        return agreed.equals(cost)
                ? Optional.empty()
                : Optional.of(Acted.refused("It costs " + cost + ": agree to that price first."));
    }

    private Optional<Manifest> offered(JobState state, Predicate<Manifest> which) {
        return offers.now(state).stream().filter(which).findFirst();
    }

    private void fetch(JobState state, Manifest manifest, String who, JobTasks.Teller teller) {
        Optional<Shelved> there = shelf.find(manifest.id(), manifest.sha256());
        try {
            Shelved shelved = there.orElseGet(() -> service.file(
                    state.pack(),
                    manifest,
                    done -> teller.tell(manifest.id(), done, manifest.size()),
                    content -> shelf.add(manifest, content)));
            acts.keep(state.job().number(), who, PrepareStage.FETCH.said(), now -> {
                if (now.runHolds()) return Acted.refused("A run began meanwhile: what it uses stays as it is.");
                String cost = state.replaced().orElseThrow().software().file().cost();
                String how =
                        there.isPresent() ? "took from the shelf" : cost.isEmpty() ? "fetched" : "bought for " + cost;
                return atHand(now, shelved, how, who);
            });
        } catch (ServiceException | IllegalArgumentException e) {
            throw new JobTasks.TaskFailedException(Words.said(e));
        }
    }

    private Acted atHand(JobState state, Shelved shelved, String how, String who) {
        shelf.prepare(state.job().id(), shelved, who);
        audit.record(who, how, "job " + state.job().number(), shelved.manifest().id());
        return Acted.done();
    }

    /** Takes a file that the workshop has; the maker's manifest must know it. */
    public Acted upload(long number, Source content, String who) {
        return acts.asking(
                number, who, PrepareStage.UPLOAD, state -> Optional.empty(), asked -> taken(asked, content, who));
    }

    /**
     * A file, checked against what the maker's service offers.
     *
     * @return what comes of it, when it is kept
     */
    Function<JobState, Acted> taken(JobState asked, Source content, String who) {
        return switch (shelf.read(content)) {
            case ReadResult.Damaged damaged -> state -> Acted.refused("The file is damaged. " + damaged.sentence());
            case ReadResult.Read(CalibrationFile file) -> known(asked, file.sha256(), content, who);
        };
    }

    private Function<JobState, Acted> known(JobState asked, String sha256, Source content, String who) {
        try {
            Optional<Manifest> manifest = offered(asked, m -> m.sha256().equals(sha256));
            if (manifest.isEmpty())
                return state -> Acted.refused("The maker's service knows no such file for "
                        + state.replaced().orElseThrow().title() + ". It is not taken.");
            return state -> {
                CalibrationCheck fit = CalibrationCheck.origin(manifest.get(), state.pack())
                        .orElseGet(() -> FileFit.of(state, manifest.get()));
                if (!fit.usable()) return Acted.refused(String.join(" ", fit.reasons()));
                return atHand(state, shelf.add(manifest.get(), content), "took a file", who);
            };
        } catch (ServiceException e) {
            return state -> Acted.refused(Words.said(e));
        }
    }
}
