package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.job.Led;
import codrane.core.plan.InstructionNote;
import java.security.Principal;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What people say at Decide: each leads back to where it was said. */
@Controller
@RequestMapping("/jobs/{number}")
class DecideController {
    private final DecideActs decides;
    private final SettingActs settings;
    private final OverruleActs overrules;
    private final PlanActs plans;
    private final LineActs lines;

    DecideController(DecideActs decides, SettingActs settings, OverruleActs overrules, PlanActs plans, LineActs lines) {
        this.decides = decides;
        this.settings = settings;
        this.overrules = overrules;
        this.plans = plans;
        this.lines = lines;
    }

    @PostMapping("/plan")
    String plan(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return decide(plans.plan(number, who.getName()), number, flash);
    }

    /** Chooses what is put back, and plans it. */
    @PostMapping("/put-back")
    String putBack(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> setting,
            Principal who,
            RedirectAttributes flash) {
        Acted chosen = settings.putBack(number, setting, who.getName());
        return decide(chosen instanceof Acted.Done ? plans.plan(number, who.getName()) : chosen, number, flash);
    }

    @PostMapping("/decide/left")
    String left(@PathVariable long number, @RequestParam long baseline, Principal who, RedirectAttributes flash) {
        return decide(settings.compare(number, baseline, who.getName()), number, flash);
    }

    @PostMapping("/decide/wording")
    String wording(@PathVariable long number, @RequestParam String text, Principal who, RedirectAttributes flash) {
        return decide(decides.wording(number, text, who.getName()), number, flash);
    }

    @PostMapping("/decide/part")
    String part(
            @PathVariable long number,
            @RequestParam String fitted,
            @RequestParam String offered,
            Principal who,
            RedirectAttributes flash) {
        return decide(decides.part(number, fitted, offered, who.getName()), number, flash);
    }

    @PostMapping("/decide/origin")
    String origin(@PathVariable long number, @RequestParam String origin, Principal who, RedirectAttributes flash) {
        return decide(decides.origin(number, origin, who.getName()), number, flash);
    }

    @PostMapping("/decide/swapped")
    String swapped(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(decides.swapped(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/decide/newer-right")
    String newerRight(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return decide(decides.newerRight(number, who.getName()), number, flash);
    }

    @PostMapping("/prove/not-working")
    String notWorking(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(decides.notWorking(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/prove/tried")
    String tried(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(decides.tried(number, who.getName()), number, "now", flash);
    }

    @PostMapping("/decide/feature")
    String feature(@PathVariable long number, @RequestParam String feature, Principal who, RedirectAttributes flash) {
        return decide(settings.feature(number, feature, who.getName()), number, flash);
    }

    @PostMapping("/decide/feature-out")
    String featureOut(
            @PathVariable long number, @RequestParam String feature, Principal who, RedirectAttributes flash) {
        return decide(settings.featureOut(number, feature, who.getName()), number, flash);
    }

    @PostMapping("/decide/turn-off")
    String turnOff(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String feature,
            Principal who,
            RedirectAttributes flash) {
        return decide(settings.turnOff(number, feature, who.getName()), number, flash);
    }

    @PostMapping("/decide/as-before")
    String asBefore(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> setting,
            Principal who,
            RedirectAttributes flash) {
        return decide(settings.asBefore(number, setting, who.getName()), number, flash);
    }

    @PostMapping("/decide/order")
    String order(
            @PathVariable long number,
            @RequestParam(defaultValue = "") List<String> out,
            @RequestParam(defaultValue = "") List<String> in,
            Principal who,
            RedirectAttributes flash) {
        return decide(decides.order(number, out, in, who.getName()), number, flash);
    }

    @PostMapping("/decide/setting")
    String setting(
            @PathVariable long number,
            @RequestParam String setting,
            @RequestParam String value,
            @RequestParam(defaultValue = "false") boolean loom,
            @RequestParam(defaultValue = "-1") int octet,
            Principal who,
            RedirectAttributes flash) {
        return taken(settings.setting(number, setting, value, who.getName()), number, setting, loom, octet, flash);
    }

    /** @param setting layout, slash, and which bit */
    @PostMapping("/decide/bit")
    String bit(
            @PathVariable long number,
            @RequestParam String setting,
            @RequestParam String value,
            Principal who,
            RedirectAttributes flash) {
        return taken(settings.bit(number, setting, value, who.getName()), number, setting, true, -1, flash);
    }

    @PostMapping("/decide/setting-out")
    String settingOut(
            @PathVariable long number,
            @RequestParam String setting,
            @RequestParam(defaultValue = "false") boolean loom,
            @RequestParam(defaultValue = "-1") int octet,
            Principal who,
            RedirectAttributes flash) {
        return taken(settings.out(number, setting, who.getName()), number, setting, loom, octet, flash);
    }

    /** Back to the bits when it was said there. */
    private static String taken(
            Acted acted, long number, String setting, boolean loom, int octet, RedirectAttributes flash) {
        if (!loom) return decide(acted, number, flash);
        if (acted instanceof Acted.Refused(String sentence, var remedy)) flash.addFlashAttribute("refused", sentence);
        flash.addAttribute("setting", setting);
        if (octet >= 0) flash.addAttribute("octet", octet);
        return "redirect:/jobs/" + number + "/coding";
    }

    @PostMapping("/decide/line")
    String line(
            @PathVariable long number,
            @RequestParam String line,
            @RequestParam(defaultValue = "") String about,
            @RequestParam(defaultValue = "") String source,
            @RequestParam(defaultValue = "") String years,
            @RequestParam(defaultValue = "") String software,
            Principal who,
            RedirectAttributes flash) {
        InstructionNote.Typed typed = new InstructionNote.Typed(about, source, years, software);
        Acted acted = lines.line(number, line, typed, who.getName());
        flash.addFlashAttribute("typedLine", line);
        if (acted instanceof Acted.Refused)
            flash.addFlashAttribute("typedSource", source)
                    .addFlashAttribute("typedAbout", about)
                    .addFlashAttribute("typedYears", years)
                    .addFlashAttribute("typedSoftware", software);
        return decide(acted, number, flash);
    }

    @PostMapping("/overrule/{school}")
    String overrule(
            @PathVariable long number,
            @PathVariable String school,
            @RequestParam(defaultValue = "") String answer,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return decide(overrules.overrule(number, school, answer, why, who.getName()), number, flash);
    }

    @PostMapping("/overrule/{school}/back")
    String takeBack(@PathVariable long number, @PathVariable String school, Principal who, RedirectAttributes flash) {
        return decide(overrules.takeBack(number, school, who.getName()), number, flash);
    }

    private static String decide(Acted acted, long number, RedirectAttributes flash) {
        return Led.to(acted, number, "decide", flash);
    }
}
