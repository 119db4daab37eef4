package codrane.app.account;

import codrane.app.CodraneSettings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class LoginController {
    private final CodraneSettings settings;

    LoginController(CodraneSettings settings) {
        this.settings = settings;
    }

    @GetMapping("/login")
    String login(Model model) {
        model.addAttribute("demo", settings.demo());
        return "account/login";
    }
}
