package codrane.app.newjob;

import jakarta.validation.Valid;
import java.security.Principal;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The form of a new job. */
@Controller
class NewJobController {
    private static final int LONGEST_VIN = 40;

    private final JobIntake intake;

    NewJobController(JobIntake intake) {
        this.intake = intake;
    }

    @GetMapping("/jobs/new")
    String form(
            @RequestParam(defaultValue = "") String vin, @RequestParam(defaultValue = "") String kind, Model model) {
        model.addAttribute("form", NewJobForm.of(vin, kind));
        return page(model, vin.isEmpty() ? "vin" : "complaint");
    }

    private String page(Model model, String first) {
        model.addAttribute("view", NewJobView.of(intake.packs(), first));
        return "newjob/new";
    }

    @GetMapping("/vin-check")
    @ResponseBody
    JobIntake.VinView vinCheck(@RequestParam String vin) {
        return intake.check(vin.length() > LONGEST_VIN ? vin.substring(0, LONGEST_VIN) : vin);
    }

    /** The topmost field that is wrong. */
    private static String first(BindingResult errors) {
        return Stream.of("vin", "complaint", "kind", "replaced")
                .filter(errors::hasFieldErrors)
                .findFirst()
                .orElse("vin");
    }

    @PostMapping("/jobs")
    String take(
            @Valid @ModelAttribute("form") NewJobForm form,
            BindingResult errors,
            @RequestParam(defaultValue = "false") boolean plain,
            Principal who,
            Model model) {
        if (errors.hasErrors()) return page(model, first(errors));
        return switch (intake.take(plain ? form.plainly() : form, who.getName())) {
            case JobIntake.Taken.Job(long number) -> "redirect:/jobs/" + number + "/intake";
            case JobIntake.Taken.Rejected(String field, String sentence) -> {
                errors.rejectValue(field, "rejected", sentence);
                yield page(model, field);
            }
        };
    }
}
