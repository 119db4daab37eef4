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

    /**
     * The page at the door.
     *
     * @param to page to go to afterwards; empty: Today
     * @param seconds to wait until another try is looked at
     */
    public record LoginView(String to, int seconds, boolean demo) {}

    @GetMapping("/login")
    String login(
            @RequestParam(defaultValue = "") String to, @RequestParam(defaultValue = "") String wait, Model model) {
        int seconds = wait.matches("\\d{1,3}") ? Integer.parseInt(wait) : 0;
        model.addAttribute("view", new LoginView(SignIn.isPage(to) ? to : "", seconds, settings.demo()));
        return "account/login";
    }
}
