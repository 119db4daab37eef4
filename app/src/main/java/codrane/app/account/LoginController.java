package codrane.app.account;

import codrane.app.workshop.CodraneSettings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class LoginController {
    private final CodraneSettings settings;

    LoginController(CodraneSettings settings) {
        this.settings = settings;
    }

    @GetMapping("/login")
    String login(
            @RequestParam(defaultValue = "") String to, @RequestParam(defaultValue = "") String wait, Model model) {
        model.addAttribute("to", SignIn.isPage(to) ? to : "");
        model.addAttribute("wait", wait.matches("\\d{1,3}") ? Integer.parseInt(wait) : 0);
        model.addAttribute("demo", settings.demo());
        return "account/login";
    }
}
