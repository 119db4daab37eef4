package codrane.app.job;

import codrane.app.account.Role;
import codrane.app.account.Routes;
import org.springframework.http.HttpMethod;

/**
 * Who looks at a page.
 *
 * @param again whether the page was loaded anew by itself: what it asked for in the background is not asked for again
 */
public record Viewer(String name, Role role, boolean again) {
    /** Whether this one may take in a job. */
    public boolean mayBegin() {
        return Routes.allows(role, HttpMethod.POST, "/jobs");
    }

    /** Whether this one may press what posts to a job's address, as "/jobs/2201/scan". */
    public boolean may(long number, String act) {
        return Routes.allows(role, HttpMethod.POST, "/jobs/" + number + "/" + act);
    }
}
