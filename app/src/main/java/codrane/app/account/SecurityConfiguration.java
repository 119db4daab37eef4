package codrane.app.account;

import jakarta.servlet.DispatcherType;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

@Configuration
class SecurityConfiguration {
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http) throws Exception {
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
        http.formLogin(form -> form.loginPage("/login").defaultSuccessUrl("/"));
        http.logout(logout -> logout.logoutSuccessUrl("/login"));
        http.headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)));
        return http.build();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
