package codrane.app.account;

import static codrane.app.account.Role.DESK;
import static codrane.app.account.Role.LEAD;
import static codrane.app.account.Role.SPECIALIST;
import static codrane.app.account.Role.TECH;
import static codrane.app.account.Role.TRAINEE;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.http.HttpMethod;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPatternParser;

/** Every route and who may take it: the one table, walked route by route by a test. What is not here is refused. */
public final class Routes {
    private static final Set<Role> ALL = EnumSet.allOf(Role.class);
    private static final Set<Role> WRITERS = EnumSet.of(LEAD, TECH, SPECIALIST);
    private static final Set<Role> READERS = EnumSet.of(LEAD, TECH, SPECIALIST, TRAINEE);
    private static final Set<Role> INTAKE = EnumSet.of(LEAD, TECH, DESK);

    /** The table, the more special routes first. */
    public static final List<Route> TABLE = List.of(
            get("/", ALL),
            get("/find", ALL),
            get("/alive", ALL),
            get("/vehicles", ALL),
            get("/vehicles/*", ALL),
            get("/shelf", ALL),
            post("/shelf/files", WRITERS),
            post("/favourites", WRITERS),
            get("/parts", ALL),
            post("/parts/*", EnumSet.of(LEAD, TECH, SPECIALIST)),
            post("/jobs/*/rehearse", WRITERS),
            get("/access", ALL),
            get("/tools", ALL),
            get("/gallery", ALL),
            get("/people", EnumSet.of(LEAD)),
            post("/people", EnumSet.of(LEAD)),
            post("/people/*/*", EnumSet.of(LEAD)),
            get("/account", ALL),
            post("/account/password", ALL),
            get("/practice", ALL),
            get("/records", ALL),
            get("/records/acts", ALL),
            get("/jobs/new", INTAKE),
            get("/vin-check", INTAKE),
            post("/jobs", INTAKE),
            get("/jobs/*/*", ALL),
            post("/jobs/*/hold/consent", INTAKE),
            post("/label", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            get("/jobs/*/photos/*", ALL),
            post("/jobs/*/photos", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/point", ALL),
            post("/jobs/*/point/seen", ALL),
            post("/jobs/*/notes", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/old-module/*", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/correct", INTAKE),
            post("/jobs/*/cancel", INTAKE),
            post("/jobs/*/old-module-read", WRITERS),
            post("/jobs/*/old-module-data", WRITERS),
            post("/jobs/*/variant", WRITERS),
            post("/jobs/*/ask-module", READERS),
            post("/jobs/*/settle-sleep", READERS),
            post("/jobs/*/fault-note", READERS),
            post("/jobs/*/bench-notes", READERS),
            post("/jobs/*/bench", READERS),
            post("/jobs/*/scan", READERS),
            post("/jobs/*/baseline", READERS),
            post("/jobs/*/put-back", WRITERS),
            get("/baselines/*", ALL),
            get("/baselines/*/baseline.json", READERS),
            get("/baselines/*/archive.zip", READERS),
            get("/baselines/*/with/*", ALL),
            post("/baselines/*/reference", WRITERS),
            post("/vehicles/*/baselines", WRITERS),
            post("/jobs/*/hold/lead-approved", EnumSet.of(LEAD)),
            post("/jobs/*/hold/*", WRITERS),
            post("/jobs/*/waive/*", WRITERS),
            post("/jobs/*/plan", WRITERS),
            post("/jobs/*/decide/bit", EnumSet.of(LEAD)),
            post("/jobs/*/decide/*", WRITERS),
            post("/jobs/*/prove/*", WRITERS),
            post("/jobs/*/overrule/*", WRITERS),
            post("/jobs/*/overrule/*/back", WRITERS),
            post("/jobs/*/needs", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/learned/*", WRITERS),
            post("/jobs/*/sound", READERS),
            post("/jobs/*/sound/*", READERS),
            post("/jobs/*/gaps", WRITERS),
            post("/jobs/*/order-typed", WRITERS),
            post("/jobs/*/codes", WRITERS),
            post("/jobs/*/codes/price", WRITERS),
            post("/jobs/*/codes/bought", WRITERS),
            post("/jobs/*/codes/forgotten", WRITERS),
            post("/jobs/*/codes/shown", EnumSet.of(LEAD, SPECIALIST)),
            post("/jobs/*/letters/draft/*", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/letters/sent/*", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/letters/look/*", EnumSet.of(LEAD, TECH, SPECIALIST, DESK)),
            post("/jobs/*/menu", WRITERS),
            get("/policy", ALL),
            post("/policy", EnumSet.of(LEAD)),
            post("/passes/*", EnumSet.of(LEAD)),
            post("/jobs/*/calibration", WRITERS),
            post("/jobs/*/calibration-upload", WRITERS),
            post("/jobs/*/line-sheet", WRITERS),
            post("/jobs/*/line-sheet-pasted", WRITERS),
            post("/jobs/*/line-sheet-judged", WRITERS),
            post("/jobs/*/access/technician", EnumSet.of(LEAD)),
            post("/jobs/*/access/tool", WRITERS),
            post("/jobs/*/authorise", WRITERS),
            post("/tools/*/*", WRITERS),
            post("/access/*/tools", WRITERS),
            post("/access/*/*", EnumSet.of(LEAD)),
            post("/jobs/*/run", WRITERS),
            post("/jobs/*/run/stop", WRITERS),
            post("/jobs/*/reopen", WRITERS),
            post("/jobs/*/recover", WRITERS),
            post("/jobs/*/close", WRITERS),
            get("/next-room", READERS),
            post("/next-room/authority/*/*", READERS),
            post("/next-room/*/*", READERS));

    /** One row of the table. */
    public record Route(HttpMethod method, String pattern, Set<Role> roles) {}

    private Routes() {}

    /** Whether the role may take the route, by the first row that matches. */
    public static boolean allows(Role role, HttpMethod method, String path) {
        PathContainer container = PathContainer.parsePath(path);
        return TABLE.stream()
                .filter(route -> route.method().equals(method))
                .filter(route ->
                        PathPatternParser.defaultInstance.parse(route.pattern()).matches(container))
                .findFirst()
                .map(route -> route.roles().contains(role))
                .orElse(false);
    }

    /** Titles of the roles that may take the route: for a sentence that says whose it is. */
    public static String whose(HttpMethod method, String path) {
        List<String> titles = java.util.Arrays.stream(Role.values())
                .filter(role -> allows(role, method, path))
                .map(Role::title)
                .toList();
        if (titles.size() < 2) return String.join("", titles);
        return String.join(", ", titles.subList(0, titles.size() - 1)) + " or " + titles.getLast();
    }

    private static Route get(String pattern, Set<Role> roles) {
        return new Route(HttpMethod.GET, pattern, roles);
    }

    private static Route post(String pattern, Set<Role> roles) {
        return new Route(HttpMethod.POST, pattern, roles);
    }
}
