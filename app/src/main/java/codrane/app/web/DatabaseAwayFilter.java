package codrane.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** While the database is away every page is one that needs none, at once: not even the session is looked for. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class DatabaseAwayFilter extends OncePerRequestFilter {
    private static final List<String> WITHOUT =
            List.of("/css/", "/js/", "/fonts/", "/vendor/", "/webjars/", "/favicon");

    private final DatabaseWatch watch;
    private final byte[] page;

    DatabaseAwayFilter(DatabaseWatch watch) throws IOException {
        this.watch = watch;
        page = new ClassPathResource("pages/database-away.html")
                .getContentAsString(StandardCharsets.UTF_8)
                .getBytes(StandardCharsets.UTF_8);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean plain = WITHOUT.stream().anyMatch(request.getRequestURI()::startsWith);
        if (plain || watch.answers()) {
            chain.doFilter(request, response);
            return;
        }
        response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        response.setHeader(HttpHeaders.RETRY_AFTER, "3");
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setHeader("Content-Security-Policy", "default-src 'none'; style-src 'self'; font-src 'self'");
        response.setContentType(MediaType.TEXT_HTML_VALUE + ";charset=UTF-8");
        response.getOutputStream().write(page);
    }
}
