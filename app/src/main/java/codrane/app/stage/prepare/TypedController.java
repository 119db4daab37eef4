package codrane.app.stage.prepare;

import codrane.app.job.Led;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Map;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What is typed at Prepare. No code stands in an address, and none waits in a session. */
@Controller
@RequestMapping("/jobs/{number}")
class TypedController {
    private final CodeActs acts;
    private final LearnedActs learned;
    private final GapActs gaps;
    private final OrderTypedActs order;
    private final DailyCodeActs daily;

    TypedController(CodeActs acts, LearnedActs learned, GapActs gaps, OrderTypedActs order, DailyCodeActs daily) {
        this.daily = daily;
        this.order = order;
        this.gaps = gaps;
        this.acts = acts;
        this.learned = learned;
    }

    /** @param typed by key of the adaptation, beside what every form sends */
    @PostMapping("/learned/{module}")
    String learned(
            @PathVariable long number,
            @PathVariable String module,
            @RequestParam Map<String, String> typed,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(learned.type(number, module, typed, who.getName()), number, "prepare", flash);
    }

    /** @param said by layout and field, beside what every form sends */
    @PostMapping("/gaps")
    String gaps(
            @PathVariable long number,
            @RequestParam Map<String, String> said,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(gaps.judge(number, said, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/order-typed")
    String order(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String codes,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(order.type(number, codes, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/codes")
    String keep(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String code,
            @RequestParam(defaultValue = "") String codeAgain,
            Principal who,
            RedirectAttributes flash) {
        CodeActs.Typed typed = new CodeActs.Typed(code.strip(), codeAgain.strip());
        return Led.to(acts.keep(number, kind, typed, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/codes/price")
    String price(@PathVariable long number, Principal who, RedirectAttributes flash) {
        return Led.to(
                daily.price(number, price -> flash.addFlashAttribute("dailyPrice", price), who.getName()),
                number,
                "prepare",
                flash);
    }

    @PostMapping("/codes/bought")
    String bought(@PathVariable long number, @RequestParam int agreed, Principal who, RedirectAttributes flash) {
        return Led.to(daily.buy(number, agreed, who.getName()), number, "prepare", flash);
    }

    @PostMapping("/codes/forgotten")
    String forget(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String kind,
            Principal who,
            RedirectAttributes flash) {
        return Led.to(acts.forget(number, kind, who.getName()), number, "prepare", flash);
    }

    /** Shown once, in the answer itself. */
    @PostMapping("/codes/shown")
    String show(
            @PathVariable long number,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String why,
            Principal who,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        return switch (acts.show(number, kind, why, who.getName())) {
            case CodeActs.Shown.No(var acted) -> Led.to(acted, number, "prepare", flash);
            case CodeActs.Shown.Code(String title, String digits) -> {
                response.setHeader(
                        HttpHeaders.CACHE_CONTROL, CacheControl.noStore().getHeaderValue());
                model.addAttribute("view", new CodeShown(number, title, digits));
                yield "stage/prepare/code";
            }
        };
    }
}
