package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.account.Role;
import codrane.core.octets.Bytes;
import codrane.core.plan.Stage;
import java.io.IOException;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Role by route for a secret: whoever asks for whatever page or file of a job, the code is not in it. */
final class SecretPages {
    /** Who may have it shown, with a reason. */
    private static final Set<Role> MAY_LOOK = EnumSet.of(Role.LEAD, Role.SPECIALIST);

    private SecretPages() {}

    /** @param kind of the secret, as the page of Prepare calls it */
    static void showNowhere(App app, long job, String vin, String kind, String code)
            throws IOException, InterruptedException {
        Set<String> paths = paths(app, job, vin);
        assertThat(paths).hasSizeGreaterThan(40);
        String hex = Bytes.ascii(code).hex();
        for (Role role : Role.values()) {
            WebSession web = WebSession.signIn(app.url(), role.name().toLowerCase(Locale.ROOT));
            int shown = 0;
            for (String path : paths) {
                String page = web.query(path);
                if (page.contains("<main")) shown++;
                assertThat(page.matches("(?s).*\\b" + code + "\\b.*") || page.contains(hex))
                        .as(role + " " + path)
                        .isFalse();
            }
            assertThat(shown).as(role + " sees pages").isGreaterThan(20);
            String looked = web.answered("/jobs/" + job + "/codes/shown", "kind", kind, "why", "as tested");
            assertThat(looked.contains(code)).as(role.toString()).isEqualTo(MAY_LOOK.contains(role));
        }
    }

    /** All that is got, with this job and vehicle in it. */
    private static Set<String> paths(App app, long job, String vin) {
        Set<String> paths = new TreeSet<>();
        Arrays.stream(Stage.values()).forEach(stage -> paths.add("/jobs/" + job + "/" + stage.key()));
        app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().stream()
                .filter(info -> info.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .flatMap(info -> info.getPatternValues().stream())
                .filter(pattern -> !pattern.endsWith("/events")) // a stream without an end
                .map(pattern -> pattern.replaceAll("\\{number[^}]*}", String.valueOf(job))
                        .replaceAll("\\{vin[^}]*}", vin)
                        .replaceAll("\\{[^/]*:([a-z]+)[^}]*}", "$1")
                        .replaceAll("\\{[^}]*}", "1"))
                .forEach(paths::add);
        return paths;
    }
}
