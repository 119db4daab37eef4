package codrane.app.press;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Takes a form's key and the version that its page showed out of each request that acts on a job. */
class PressInterceptor implements HandlerInterceptor {
    static final String KEY = "once";
    static final String SEEN = "seen";
    private static final int LONGEST_KEY = 64;
    /** Few digits are soon found from a hash of them: it is salted with what only this process knows. */
    private static final byte[] SALT = new byte[32];

    static {
        new SecureRandom().nextBytes(SALT);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!request.getMethod().equals("POST")) return true;
        String who = Optional.ofNullable(request.getUserPrincipal())
                .map(Principal::getName)
                .orElse("");
        Optional<String> key =
                Optional.ofNullable(request.getParameter(KEY)).filter(k -> !k.isBlank() && k.length() <= LONGEST_KEY);
        Pressed.put(new Pressed(
                who + " " + key.orElseGet(() -> same(request)), key.isPresent(), seen(request.getParameter(SEEN))));
        return true;
    }

    private static Optional<Long> seen(@org.jspecify.annotations.Nullable String text) {
        return text != null && text.matches("\\d{1,18}") ? Optional.of(Long.parseLong(text)) : Optional.empty();
    }

    /** A form without a key is known by where it goes and what it says. */
    private static String same(HttpServletRequest request) {
        StringBuilder text = new StringBuilder(request.getRequestURI()).append(request.getContentLengthLong());
        for (Map.Entry<String, String[]> field : new TreeMap<>(request.getParameterMap()).entrySet())
            if (!field.getKey().equals("_csrf"))
                text.append('\n').append(field.getKey()).append('=').append(Arrays.toString(field.getValue()));
        byte[] said = text.toString().getBytes(StandardCharsets.UTF_8);
        return "same "
                + Checksums.sha256(Bytes.copyOf(SALT).plus(Bytes.copyOf(said)).toArray());
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request,
            HttpServletResponse response,
            Object handler,
            @org.jspecify.annotations.Nullable Exception failure) {
        Pressed.clear();
    }

    /** Where it listens. */
    @Configuration
    static class Registration implements WebMvcConfigurer {
        @Override
        public void addInterceptors(InterceptorRegistry registry) {
            registry.addInterceptor(new PressInterceptor()).addPathPatterns("/jobs", "/jobs/**");
        }
    }
}
