package codrane.app.account;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;

/** The five roles. A trainee looks, and writes nothing to a vehicle. */
public enum Role {
    LEAD("lead"),
    TECH("technician"),
    TRAINEE("trainee"),
    DESK("front desk"),
    SPECIALIST("specialist");

    private static final String PREFIX = "ROLE_";

    private final String title;

    Role(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** Of somebody signed in; the front desk's when there is none. */
    public static Role of(Authentication who) {
        return who.getAuthorities().stream()
                .map(GrantedAuthority::getAuthority)
                .filter(a -> a != null && a.startsWith(PREFIX))
                .map(a -> Role.valueOf(a.substring(PREFIX.length())))
                .findFirst()
                .orElse(DESK);
    }
}
