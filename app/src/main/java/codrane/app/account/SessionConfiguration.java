package codrane.app.account;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/** Sessions in PostgreSQL: two pages at once write the same attribute, and a broken cookie is none. */
@Configuration
class SessionConfiguration {
    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> postgres() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }

    @Bean
    CookieSerializer cookies() {
        DefaultCookieSerializer cookies = new SessionCookies();
        cookies.setCookieName("codrane");
        cookies.setSameSite("Lax");
        cookies.setUseHttpOnlyCookie(true);
        return cookies;
    }

    /** What is no session's id never reaches the database. */
    private static final class SessionCookies extends DefaultCookieSerializer {
        private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");

        @Override
        public List<String> readCookieValues(HttpServletRequest request) {
            return super.readCookieValues(request).stream()
                    .filter(id -> ID.matcher(id).matches())
                    .toList();
        }
    }
}
