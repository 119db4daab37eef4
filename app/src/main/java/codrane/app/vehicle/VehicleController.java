package codrane.app.vehicle;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.baseline.BaselineImport;
import codrane.app.baseline.Baselines;
import codrane.app.job.JobStore;
import codrane.app.job.Vehicles;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.records.ChangeLedger;
import codrane.app.records.ChangeLine;
import codrane.app.workshop.Times;
import codrane.app.workshop.Uploaded;
import codrane.core.job.Job;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Vehicles, and the life of one: jobs, baselines, modules, changes. */
@Controller
class VehicleController {
    private final JobStore jobs;
    private final Vehicles vehicles;
    private final Baselines baselines;
    private final BaselineImport imports;
    private final PackShelf packs;
    private final Records records;
    private final Times times;

    /** What was changed, and who did what. */
    @Component
    record Records(ChangeLedger ledger, AuditTrail audit) {}

    VehicleController(
            JobStore jobs,
            Vehicles vehicles,
            Baselines baselines,
            BaselineImport imports,
            PackShelf packs,
            Records records,
            Times times) {
        this.jobs = jobs;
        this.vehicles = vehicles;
        this.baselines = baselines;
        this.imports = imports;
        this.packs = packs;
        this.records = records;
        this.times = times;
    }

    @GetMapping("/vehicles")
    String list(@RequestParam(defaultValue = "") String q, Model model) {
        String text = q.strip();
        model.addAttribute("view", VehiclesView.of(text, vehicles.lines(text), times::at));
        return "vehicle/list";
    }

    @GetMapping("/vehicles/{vin}")
    String one(@PathVariable String vin, Authentication who, Model model) {
        Job.Vehicle vehicle = vehicle(vin);
        Pack pack = packs.get(vehicle.packId());
        List<ChangeLedger.Made> changes = records.ledger().ofVehicle(vehicle.id());
        VehicleView.Known known = new VehicleView.Known(
                vehicle,
                jobs.ofVehicle(vehicle.id()),
                baselines.ofVehicle(vehicle.id()),
                ModuleLife.of(
                        pack,
                        baselines,
                        vehicle.id(),
                        changes.stream().map(ChangeLedger.Made::change).toList()),
                ChangeLine.of(pack, changes, times::at));
        VehicleView.May may = new VehicleView.May(may(who, "/vehicles/" + vin + "/baselines"), may(who, "/jobs"));
        model.addAttribute("view", VehicleView.of(known, times::at, may));
        return "vehicle/one";
    }

    private static boolean may(Authentication who, String path) {
        return Routes.allows(Role.of(who), HttpMethod.POST, path);
    }

    private Job.Vehicle vehicle(String vin) {
        return vehicles.find(vin).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/vehicles/{vin}/baselines")
    String take(@PathVariable String vin, @RequestParam MultipartFile file, Principal who, RedirectAttributes flash)
            throws IOException {
        Job.Vehicle vehicle = vehicle(vin);
        Optional<String> refusal = imports.take(
                new BaselineImport.Vehicle(vehicle.id(), vehicle.vin(), vehicle.packId()),
                Uploaded.octets(file),
                who.getName());
        if (refusal.isEmpty()) records.audit().record(who.getName(), "took in a baseline", vin, "");
        flash.addFlashAttribute(refusal.isEmpty() ? "said" : "refused", refusal.orElse("The baseline is taken in."));
        return "redirect:/vehicles/" + vin;
    }
}
