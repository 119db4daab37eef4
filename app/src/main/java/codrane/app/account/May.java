package codrane.app.account;

import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** For pages: whether the one signed in may press, by {@link Routes} and nothing else. */
@Component("may")
public class May {
    /** Whether a page may be looked at. */
    public boolean look(String path) {
        return may(HttpMethod.GET, path);
    }

    public boolean press(String path) {
        return may(HttpMethod.POST, path);
    }

    private static boolean may(HttpMethod method, String path) {
        Optional<Authentication> who =
                Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication());
        return who.map(Role::of)
                .filter(role -> Routes.allows(role, method, path))
                .isPresent();
    }
}
