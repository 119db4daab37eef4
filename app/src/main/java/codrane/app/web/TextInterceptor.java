package codrane.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What is typed holds no NUL, which the database can't keep, and is no longer than its form allows. */
class TextInterceptor implements HandlerInterceptor {
    /** A pasted line sheet is the longest. */
    private static final int LONGEST = 60_000;

    private static final int MOST_FIELDS = 2_000;

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        int fields = 0;
        for (Map.Entry<String, String[]> field : request.getParameterMap().entrySet())
            for (String value : field.getValue()) {
                if (value.indexOf('\0') >= 0 || field.getKey().indexOf('\0') >= 0)
                    throw new TextThatCantBeKept("It holds a character that no text has (NUL).");
                if (value.length() > LONGEST) throw new TextThatCantBeKept("It is longer than any field here.");
                FieldBounds.judge(field.getKey(), value).ifPresent(sentence -> {
                    throw new TextThatCantBeKept(sentence);
                });
                if (++fields > MOST_FIELDS) throw new TextThatCantBeKept("It has more fields than any form here.");
            }
        return true;
    }

    /** Where it listens: everywhere. */
    @Configuration
    static class Registration implements WebMvcConfigurer {
        @Override
        public void addInterceptors(InterceptorRegistry registry) {
            registry.addInterceptor(new TextInterceptor());
        }
    }
}
