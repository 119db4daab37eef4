package codrane.app.press;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.support.RequestDataValueProcessor;

/**
 * Gives every form that posts a key of its own, used once, and the version of the job that its page shows: beside the
 * token against forged requests, by the same means.
 */
@Component
public class PressFields implements BeanPostProcessor {
    /** Request attribute with the version of the job on the page. */
    public static final String SEEN = PressFields.class.getName();

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof RequestDataValueProcessor before ? new With(before) : bean;
    }

    private record With(RequestDataValueProcessor before) implements RequestDataValueProcessor {
        @Override
        public String processAction(HttpServletRequest request, String action, String method) {
            return before.processAction(request, action, method);
        }

        @Override
        public String processFormFieldValue(
                HttpServletRequest request, @org.jspecify.annotations.Nullable String name, String value, String type) {
            return before.processFormFieldValue(request, name, value, type);
        }

        @Override
        public @Nullable Map<String, String> getExtraHiddenFields(HttpServletRequest request) {
            Map<String, String> fields = before.getExtraHiddenFields(request);
            if (fields == null || fields.isEmpty()) return fields; // not for forms that only look
            Map<String, String> more = new LinkedHashMap<>(fields);
            more.put(PressInterceptor.KEY, UUID.randomUUID().toString());
            if (request.getAttribute(SEEN) instanceof Long seen) more.put(PressInterceptor.SEEN, seen.toString());
            return more;
        }

        @Override
        public String processUrl(HttpServletRequest request, String url) {
            return before.processUrl(request, url);
        }
    }
}
