package codrane.app.stage.run;

import codrane.app.access.GatewayDesk;
import codrane.app.codes.CodeVault;
import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.live.RunOrder;
import codrane.app.shelf.Shelf;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.ReadResult;
import codrane.core.job.FileFit;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.act.Stop;
import codrane.core.job.release.Release;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.plan.Operation;
import codrane.core.ready.Need;
import codrane.link.DiagnosticLink;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Turns a job's plan and what is at hand into an order for a run: the calibration is read and checked at each start. */
@Component
class RunOrders {
    private final Interfaces interfaces;
    private final Shelf shelf;
    private final CodeVault vault;
    private final GatewayDesk gateways;

    RunOrders(Interfaces interfaces, Shelf shelf, CodeVault vault, GatewayDesk gateways) {
        this.gateways = gateways;
        this.interfaces = interfaces;
        this.shelf = shelf;
        this.vault = vault;
    }

    sealed interface Built {
        record Order(RunOrder order) implements Built {}

        record Missing(String sentence) implements Built {}
    }

    Built build(JobState state, String who) {
        Optional<BenchInterface> bench = interfaces.of(state.pack());
        if (bench.isEmpty()) return new Built.Missing(BenchInterface.NONE_SPEAKS);
        if (state.plan().isEmpty() || state.before().isEmpty()) return new Built.Missing("There is no plan yet.");
        MemoryImage image = new MemoryImage();
        if (state.planHas(Operation.Kind.PROGRAM)) {
            Optional<CalibrationFile> file = checkedFile(state);
            if (file.isEmpty())
                return new Built.Missing("The calibration at hand is damaged or does not fit: fetch it again.");
            image = file.get().image();
        }
        Optional<Stop> none = Release.noTasks(state);
        if (none.isPresent()) return new Built.Missing(none.get().sentence());
        Job job = state.job();
        RunOrder.Subject subject = new RunOrder.Subject(
                job.id(), job.number(), job.vehicleId(), state.plan().get().id(), who);
        return new Built.Order(new RunOrder(
                subject,
                state.pack(),
                bench.get(),
                RunTasks.of(state, image),
                image,
                state.before().get().readings(),
                state.gateway(),
                codes(state, who),
                link -> renewed(state, bench.get(), link, who)));
    }

    private RunOrder.Renewed renewed(JobState state, BenchInterface bench, DiagnosticLink link, String who) {
        Job job = state.job();
        GatewayDesk.Subject subject = new GatewayDesk.Subject(job.vehicleId(), job.id(), job.vin(), state.pack(), who);
        return gateways.renew(subject, bench, link);
    }

    private RunOrder.Codes codes(JobState state, String who) {
        List<Need.Kind> kinds = RunTasks.codes(state);
        CodeVault.Owner owner =
                new CodeVault.Owner(state.job().id(), state.job().number());
        return new RunOrder.Codes() {
            @Override
            public Optional<Bytes> take() {
                return vault.take(owner, kinds);
            }

            @Override
            public void refused() {
                vault.refused(owner, kinds, who);
            }
        };
    }

    /** The file is read and checked again: what is stored is not believed either. */
    private Optional<CalibrationFile> checkedFile(JobState state) {
        Optional<ReadResult> content = state.calibration().map(shelf::read);
        boolean usable = content.flatMap(c -> FileFit.of(state, c))
                .map(CalibrationCheck::usable)
                .orElse(false);
        if (!usable || !(content.get() instanceof ReadResult.Read(CalibrationFile file))) return Optional.empty();
        PackModule.Range segment =
                state.replaced().orElseThrow().flash().orElseThrow().segment();
        List<MemoryImage.Segment> expected = List.of(new MemoryImage.Segment(segment.start(), segment.length()));
        return file.segments().equals(expected) ? Optional.of(file) : Optional.empty();
    }
}
