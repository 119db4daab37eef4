package codrane.app.job;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What people say at Decide and Prepare: each leads back to where it was said. */
@Controller
@RequestMapping("/jobs/{number}")
class DecideController {
    private final DecideActs decides;
    private final NeedActs needs;

    DecideController(DecideActs decides, NeedActs needs) {
        this.decides = decides;
        this.needs = needs;
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

    @PostMapping("/decide/feature")
    String feature(@PathVariable long number, @RequestParam String feature, Principal who, RedirectAttributes flash) {
        return decide(decides.feature(number, feature, who.getName()), number, flash);
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
            Principal who,
            RedirectAttributes flash) {
        return decide(decides.setting(number, setting, value, who.getName()), number, flash);
    }

    @PostMapping("/decide/setting-out")
    String settingOut(
            @PathVariable long number, @RequestParam String setting, Principal who, RedirectAttributes flash) {
        return decide(decides.settingOut(number, setting, who.getName()), number, flash);
    }

    @PostMapping("/decide/line")
    String line(@PathVariable long number, @RequestParam String line, Principal who, RedirectAttributes flash) {
        flash.addFlashAttribute("typedLine", line);
        return decide(decides.line(number, line, who.getName()), number, flash);
    }

    @PostMapping("/overrule/{school}")
    String overrule(
            @PathVariable long number,
            @PathVariable String school,
            @RequestParam(defaultValue = "") String answer,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            RedirectAttributes flash) {
        return decide(decides.overrule(number, school, answer, why, who.getName()), number, flash);
    }

    @PostMapping("/overrule/{school}/back")
    String takeBack(@PathVariable long number, @PathVariable String school, Principal who, RedirectAttributes flash) {
        return decide(decides.takeBack(number, school, who.getName()), number, flash);
    }

    @PostMapping("/menu")
    String menu(
            @PathVariable long number,
            @RequestParam Map<String, String> given,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = decides.menu(
                number,
                given.getOrDefault("operation", ""),
                given.getOrDefault("tool", ""),
                given.getOrDefault("wording", ""),
                given.getOrDefault("path", ""),
                given.getOrDefault("warning", ""),
                who.getName());
        return JobActController.then(acted, number, "record", flash);
    }

    /** @param said here, asked or back */
    @PostMapping("/needs")
    String need(
            @PathVariable long number,
            @RequestParam String need,
            @RequestParam String said,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String detail,
            Principal who,
            RedirectAttributes flash) {
        Acted acted = said.equals("back")
                ? needs.forget(number, need, who.getName())
                : needs.note(number, need, said.equals("here"), due, detail, who.getName());
        return JobActController.then(acted, number, "prepare", flash);
    }

    @PostMapping("/letters/{module}/draft")
    String draft(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return JobActController.then(needs.draft(number, module, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/letters/{module}/sent")
    String send(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return JobActController.then(needs.send(number, module, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/letters/{module}/look")
    String look(@PathVariable long number, @PathVariable String module, Principal who, RedirectAttributes flash) {
        return JobActController.then(needs.look(number, module, who.getName()), number, "prepare", flash);
    }

    private static String decide(Acted acted, long number, RedirectAttributes flash) {
        return JobActController.then(acted, number, "decide", flash);
    }
}
