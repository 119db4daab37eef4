package codrane.app.account;

import codrane.app.records.SecretFile;
import codrane.app.workshop.CodraneSettings;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.util.Arrays;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/** Knows a browser that signed in under a name before, by a mark that it keeps; a new password makes it unknown again. */
@Component
class KnownBrowser {
    private static final Duration KEPT = Duration.ofDays(180);
    private static final int NAME_HEX = 12;

    private final Accounts accounts;
    private final Mark key;

    KnownBrowser(Accounts accounts, CodraneSettings settings) throws IOException {
        this.accounts = accounts;
        key = new Mark(SecretFile.of(settings.var().resolve("browser.key")));
    }

    boolean knows(HttpServletRequest request, String name) {
        Cookie[] cookies = Optional.ofNullable(request.getCookies()).orElse(new Cookie[0]);
        Optional<String> mark = mark(name);
        return mark.isPresent()
                && Arrays.stream(cookies)
                        .filter(c -> c.getName().equals(cookieName(name)))
                        .anyMatch(c -> MessageDigest.isEqual(bytes(c.getValue()), bytes(mark.get())));
    }

    void remember(HttpServletRequest request, HttpServletResponse response, String name) {
        mark(name)
                .ifPresent(mark -> response.addHeader(
                        HttpHeaders.SET_COOKIE,
                        ResponseCookie.from(cookieName(name), mark)
                                .httpOnly(true)
                                .secure(request.isSecure())
                                .sameSite("Strict")
                                .path("/login")
                                .maxAge(KEPT)
                                .build()
                                .toString()));
    }

    private String cookieName(String name) {
        return "known-" + key.of("name " + name).substring(0, NAME_HEX);
    }

    private Optional<String> mark(String name) {
        return accounts.secret(name).map(secret -> key.of("mark " + name + "\n" + secret));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
