package codrane.app.baseline;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.packs.PackShelf;
import codrane.app.records.AuditTrail;
import codrane.app.workshop.Times;
import codrane.core.baseline.BaselineDiff;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.BaselineSummary;
import codrane.core.pack.Pack;
import java.security.Principal;
import java.util.Arrays;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** Pages of stored baselines. */
@Controller
class BaselineController {
    private final Baselines baselines;
    private final PackShelf packs;
    private final AuditTrail audit;
    private final Times times;

    BaselineController(Baselines baselines, PackShelf packs, AuditTrail audit, Times times) {
        this.times = times;
        this.baselines = baselines;
        this.packs = packs;
        this.audit = audit;
    }

    @GetMapping("/baselines/{id}")
    String one(@PathVariable long id, @RequestParam(defaultValue = "") String module, Authentication who, Model model) {
        BaselineSummary summary = baselines.summary(id);
        BaselineFile file = baselines.file(id);
        Pack pack = packs.get(file.pack());
        Role role = Role.of(who);
        boolean refer = summary.purpose() != BaselineSummary.Purpose.REFERENCE && summary.whole();
        String at = "/baselines/" + id;
        BaselinePage.May may = new BaselinePage.May(
                Routes.allows(role, HttpMethod.GET, at + "/archive.zip"),
                refer && Routes.allows(role, HttpMethod.POST, at + "/reference"));
        model.addAttribute(
                "view",
                BaselinePage.of(
                        summary,
                        pack.maker() + " " + pack.title().replace(pack.maker() + " ", ""),
                        BaselineView.of(pack, file, baselines.references(file), module),
                        baselines.ofVehicle(summary.vehicleId()),
                        may,
                        times::at));
        return "baseline/one";
    }

    @GetMapping("/baselines/{id}/with/{other}")
    String diff(
            @PathVariable long id,
            @PathVariable long other,
            @RequestParam(defaultValue = "settings") String view,
            Model model) {
        BaselineFile before = baselines.file(id);
        BaselineFile after = baselines.file(other);
        DiffView.View shown = Arrays.stream(DiffView.View.values())
                .filter(v -> v.key().equals(view))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        BaselineDiff diff = BaselineDiff.of(before, after);
        String strangers = diff.sameVehicle()
                ? ""
                : "These are of two vehicles: " + before.vin() + " and " + after.vin()
                        + ". Nothing here can be put back from one into the other.";
        DiffView differences = DiffView.of(packs.get(before.pack()), diff, shown);
        model.addAttribute("view", new DiffPage(strangers, side(id), side(other), differences));
        return "baseline/diff";
    }

    private DiffPage.Side side(long id) {
        return new DiffPage.Side(id, BaselinePage.title(baselines.summary(id), times::at));
    }

    @GetMapping("/baselines/{id}/baseline.json")
    ResponseEntity<String> json(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"baseline-" + id + ".json\"")
                .body(baselines.content(id));
    }

    @GetMapping("/baselines/{id}/archive.zip")
    ResponseEntity<byte[]> archive(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(new MediaType("application", "zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"baseline-" + id + ".zip\"")
                .body(BaselineArchive.zip(baselines.content(id), baselines.file(id)));
    }

    /** A healthy vehicle's baseline becomes a reference for others. */
    @PostMapping("/baselines/{id}/reference")
    String reference(@PathVariable long id, Principal who) {
        baselines.makeReference(id);
        audit.record(who.getName(), "made a reference", "baseline " + id, "");
        return "redirect:/baselines/" + id;
    }
}
