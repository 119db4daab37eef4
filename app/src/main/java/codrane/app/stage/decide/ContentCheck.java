package codrane.app.stage.decide;

import codrane.app.shelf.MakerServiceClient;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.Release;
import codrane.core.job.JobState;
import codrane.core.job.Scan;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.Aids.Content;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.ModuleReading;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Whether a module holds the maker's software: its verification number against those of the maker's files. */
@Component
class ContentCheck {
    private final MakerServiceClient service;

    ContentCheck(MakerServiceClient service) {
        this.service = service;
    }

    /** What was found, where the plan depends on it. */
    Optional<Content> of(JobState job) {
        Optional<Scan> scan = job.before();
        if (scan.isEmpty()) return Optional.empty();
        VehicleFacts facts = job.vehicleFacts(scan.get());
        boolean programs = facts.module().filter(m -> m.flash().isPresent()).isPresent();
        return programs && !facts.oldInPlace() ? Optional.of(content(job, scan.get())) : Optional.empty();
    }

    private Content content(JobState job, Scan scan) {
        String module = job.job().replacedModule().orElseThrow();
        ModuleReading reading = scan.readings().getOrDefault(module, ModuleReading.silent(module));
        Optional<String> software = reading.text(Ident.SOFTWARE);
        Optional<String> number = reading.octets(Ident.CVN).map(Bytes::hex);
        if (software.isEmpty() || number.isEmpty()) return Content.UNKNOWN;
        try {
            Stream<String> offered = service.calibrations(job.pack(), module).stream()
                    .filter(m -> m.softwareAfter().equals(software.get()))
                    .map(Manifest::crc32AsHex);
            Stream<String> listed = service.releases(job.pack(), module).stream()
                    .filter(release -> release.version().equals(software.get()))
                    .map(Release::cvn);
            List<String> makers = Stream.concat(offered, listed).toList();
            if (makers.isEmpty()) return Content.UNKNOWN;
            return makers.stream().anyMatch(number.get()::equalsIgnoreCase) ? Content.STOCK : Content.ALTERED;
        } catch (ServiceException e) {
            return Content.UNKNOWN; // the plan says that it is not known
        }
    }
}
