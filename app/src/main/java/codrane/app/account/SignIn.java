package codrane.app.account;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Signing in: guesses wait, what came of it is written down, and the way leads back to the page that was asked for. */
@Component
class SignIn implements AuthenticationSuccessHandler, AuthenticationFailureHandler {
    private static final Pattern PAGE = Pattern.compile("/[A-Za-z0-9_-]{0,40}(/[A-Za-z0-9_-]{1,40}){0,4}");

    /** What a name may be at all: no control characters, and not endless. */
    private static final Pattern NAME = Pattern.compile("[^\\p{Cntrl}]{0,100}");

    private final SignInThrottle throttle;
    private final KnownBrowser browsers;

    SignIn(SignInThrottle throttle, KnownBrowser browsers) {
        this.throttle = throttle;
        this.browsers = browsers;
    }

    /** Whether it is a page of this application, so that nobody is led elsewhere. */
    static boolean isPage(String path) {
        return PAGE.matcher(path).matches();
    }

    /** Before the password is looked at. */
    Filter gate() {
        return new OncePerRequestFilter() {
            @Override
            protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                    throws ServletException, IOException {
                boolean signsIn = request.getMethod().equals("POST")
                        && request.getServletPath().equals("/login");
                if (!signsIn) {
                    chain.doFilter(request, response);
                    return;
                }
                Optional<SignInThrottle.Try> attempt = attempt(request);
                if (attempt.isEmpty()) { // nobody has such a name: it is not even looked for
                    throttle.failed(new SignInThrottle.Try("?", request.getRemoteAddr(), false));
                    response.sendRedirect("/login?error" + back(request));
                    return;
                }
                Duration wait = throttle.wait(attempt.get());
                if (wait.isZero()) chain.doFilter(request, response);
                else response.sendRedirect("/login?wait=" + (wait.toSeconds() + 1) + back(request));
            }
        };
    }

    private Optional<SignInThrottle.Try> attempt(HttpServletRequest request) {
        String name = Optional.ofNullable(request.getParameter("username")).orElse("");
        if (!NAME.matcher(name).matches()) return Optional.empty();
        return Optional.of(new SignInThrottle.Try(name, request.getRemoteAddr(), browsers.knows(request, name)));
    }

    private static String back(HttpServletRequest request) {
        return to(request).map(page -> "&to=" + page).orElse("");
    }

    private static Optional<String> to(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter("to")).filter(SignIn::isPage);
    }

    @Override
    public void onAuthenticationFailure(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException exception)
            throws IOException {
        attempt(request).ifPresent(throttle::failed);
        response.sendRedirect("/login?error" + back(request));
    }

    @Override
    public void onAuthenticationSuccess(
            HttpServletRequest request, HttpServletResponse response, Authentication authentication)
            throws IOException {
        attempt(request).ifPresent(throttle::succeeded);
        browsers.remember(request, response, authentication.getName());
        response.sendRedirect(to(request).orElse("/"));
    }
}
