package codrane.app.account;

import codrane.app.workshop.CodraneSettings;
import jakarta.servlet.DispatcherType;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.NullRequestCache;

/** Who may do what, by {@link Routes}; nobody who is not signed in leaves anything in the database. */
@Configuration
class SecurityConfiguration {
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";
    private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");

    @Bean
    SecurityFilterChain chain(HttpSecurity http, SignIn signIn, FormTokens tokens) throws Exception {
        http.authorizeHttpRequests(requests -> {
            requests.dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR, DispatcherType.FORWARD)
                    .permitAll();
            requests.requestMatchers(
                            "/login", "/css/**", "/js/**", "/vendor/**", "/fonts/**", "/webjars/**", "/favicon.svg")
                    .permitAll();
            for (Routes.Route route : Routes.TABLE) {
                requests.requestMatchers(route.method(), route.pattern())
                        .hasAnyRole(route.roles().stream().map(Role::name).toArray(String[]::new));
            }
            requests.anyRequest().denyAll();
        });
        http.formLogin(form -> form.loginPage("/login").successHandler(signIn).failureHandler(signIn));
        http.addFilterBefore(signIn.gate(), UsernamePasswordAuthenticationFilter.class);
        http.exceptionHandling(exceptions -> exceptions.authenticationEntryPoint(toSignIn()));
        http.logout(logout -> logout.logoutSuccessUrl("/login"));
        http.requestCache(cache -> cache.requestCache(new NullRequestCache()));
        http.csrf(csrf -> csrf.csrfTokenRepository(tokens));
        http.headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                .httpStrictTransportSecurity(
                        tls -> tls.maxAgeInSeconds(Duration.ofDays(365).toSeconds()))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)));
        return http.build();
    }

    /** To the sign-in, and back to the page that was asked for. */
    private static AuthenticationEntryPoint toSignIn() {
        return (request, response, why) -> {
            String path = request.getRequestURI();
            boolean page =
                    request.getMethod().equals(HttpMethod.GET.name()) && SignIn.isPage(path) && !path.equals("/");
            response.sendRedirect("/login" + (page ? "?to=" + URLEncoder.encode(path, StandardCharsets.UTF_8) : ""));
        };
    }

    /** A request must name a host that this is: a page elsewhere must not reach it under a name of its own. */
    @Bean
    StrictHttpFirewall firewall(CodraneSettings settings) {
        Set<String> hosts = new HashSet<>(LOOPBACK);
        settings.hosts().stream().map(h -> h.toLowerCase(java.util.Locale.ROOT)).forEach(hosts::add);
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHttpMethods(List.of("GET", "HEAD", "POST"));
        firewall.setAllowedHostnames(host -> hosts.contains(host.toLowerCase(java.util.Locale.ROOT)));
        return firewall;
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
