package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import codrane.app.RunningApp.App;
import codrane.app.account.Role;
import codrane.app.account.Routes;
import codrane.app.account.Routes.Route;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Role by route: the table, walked. */
@ExtendWith(RunningApp.class)
class RoutesTest {
    private static final Map<String, String> EXAMPLES = Map.of(
            "/vehicles/*", "/vehicles/0BKLR3A46MN004127",
            "/jobs/*/*", "/jobs/2201/intake",
            "/jobs/*/hold/*", "/jobs/2201/hold/plan-agreed",
            "/jobs/*/waive/*", "/jobs/2201/waive/consent",
            "/next-room/*/*", "/next-room/Plover/no-such-act");

    private static MockMvc mvc(App app) {
        return MockMvcBuilders.webAppContextSetup((WebApplicationContext) app.context())
                .apply(springSecurity())
                .build();
    }

    /** An address that the route matches; acts go to a job that does not exist, so that nothing happens. */
    private static String example(Route route) {
        String known = EXAMPLES.get(route.pattern());
        return known != null ? known : route.pattern().replace("/jobs/*/", "/jobs/999999/");
    }

    private static MockHttpServletRequestBuilder to(Route route) {
        return request(route.method(), example(route))
                .param("vin", "")
                .param("q", "")
                .param("id", "")
                .param("text", "");
    }

    @Test
    void table_everyRoleAndRoute_isAllowedOrForbiddenAsItSays(App app) throws Exception {
        MockMvc mvc = mvc(app);
        for (Route route : Routes.TABLE) {
            for (Role role : Role.values()) {
                MockHttpServletResponse response = mvc.perform(
                                to(route).with(csrf()).with(user(role.name()).roles(role.name())))
                        .andReturn()
                        .getResponse();
                boolean forbidden = response.getStatus() == 403;
                assertThat(forbidden)
                        .as(role + " " + route + " gave " + response.getStatus())
                        .isEqualTo(!route.roles().contains(role));
                assertThat(response.getHeader("Content-Security-Policy"))
                        .contains("default-src 'none'")
                        .doesNotContain("unsafe");
            }
        }
    }

    @Test
    void table_nobodySignedIn_isSentToTheSignIn(App app) throws Exception {
        for (Route route : Routes.TABLE) {
            MockHttpServletResponse response =
                    mvc(app).perform(to(route).with(csrf())).andReturn().getResponse();
            assertThat(response.getRedirectedUrl()).as(route.toString()).matches(".*/login(\\?to=%2F.*)?");
        }
    }

    @Test
    void table_postWithoutToken_isForbiddenForAll(App app) throws Exception {
        for (Route route : Routes.TABLE.stream()
                .filter(r -> r.method().equals(HttpMethod.POST))
                .toList()) {
            int status = mvc(app).perform(to(route).with(user("lead").roles("LEAD")))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            assertThat(status).as(route.toString()).isEqualTo(403);
        }
    }

    @Test
    void table_trainee_mayNotTakeAnyRouteThatWrites() {
        Set<String> writes = Set.of(
                "/jobs/*/run",
                "/jobs/*/recover",
                "/jobs/*/plan",
                "/jobs/*/hold/*",
                "/jobs/*/waive/*",
                "/jobs/*/authorise",
                "/jobs/*/put-back");
        assertThat(Routes.TABLE.stream().filter(r -> writes.contains(r.pattern())))
                .hasSize(writes.size())
                .noneMatch(r -> r.roles().contains(Role.TRAINEE) || r.roles().contains(Role.DESK));
    }

    @Test
    void table_everyMappingOfTheApplication_isInIt(App app) {
        Set<String> missing = new TreeSet<>();
        app.bean(RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .keySet()
                .forEach(info -> {
                    Set<String> patterns = info.getPatternValues();
                    for (String pattern : patterns) {
                        if (List.of("/login", "/error").contains(pattern)) continue;
                        String path = pattern.replaceAll("\\{[^/]*:([a-z]+)[^}]*}", "$1")
                                .replaceAll("\\{[^}]*}", "1");
                        HttpMethod method = info.getMethodsCondition()
                                .getMethods()
                                .iterator()
                                .next()
                                .asHttpMethod();
                        if (!Routes.allows(Role.LEAD, method, path)) missing.add(method + " " + pattern);
                    }
                });
        assertThat(missing).isEmpty();
    }
}
