package codrane.app.account;

import java.util.Optional;
import org.springframework.http.HttpMethod;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** For pages: whether the one signed in may press, by {@link Routes} and nothing else. */
@Component("may")
public class May {
    public boolean press(String path) {
        Optional<Authentication> who =
                Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication());
        return who.stream()
                .flatMap(a -> a.getAuthorities().stream())
                .map(a -> a.getAuthority())
                .filter(a -> a != null && a.startsWith("ROLE_"))
                .map(a -> Role.valueOf(a.substring("ROLE_".length())))
                .anyMatch(role -> Routes.allows(role, HttpMethod.POST, path));
    }
}
