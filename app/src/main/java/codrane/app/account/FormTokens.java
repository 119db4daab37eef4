package codrane.app.account;

import codrane.app.records.SecretFile;
import codrane.app.workshop.CodraneSettings;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.stereotype.Component;

/**
 * Tokens against forged requests. A session's follows from its id: pages opened at the same moment have the same, and
 * nothing is stored. A visitor's stands in a cookie: a session would be a row for each.
 */
@Component
class FormTokens implements CsrfTokenRepository {
    private static final String HEADER = "X-CSRF-TOKEN";
    private static final String PARAMETER = "_csrf";

    private final CookieCsrfTokenRepository visitors = new CookieCsrfTokenRepository();
    private final Mark mark;

    FormTokens(CodraneSettings settings) throws IOException {
        mark = new Mark(SecretFile.of(settings.var().resolve("browser.key")));
        visitors.setCookieName("codrane-form");
        visitors.setHeaderName(HEADER);
        visitors.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session == null ? visitors.generateToken(request) : of(session);
    }

    private CsrfToken of(HttpSession session) {
        return new DefaultCsrfToken(HEADER, PARAMETER, mark.of("form " + session.getId()));
    }

    @Override
    public void saveToken(
            @org.jspecify.annotations.Nullable CsrfToken token,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (request.getSession(false) == null) visitors.saveToken(token, request, response);
    }

    @Override
    public @org.jspecify.annotations.Nullable CsrfToken loadToken(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session == null ? visitors.loadToken(request) : of(session);
    }
}
