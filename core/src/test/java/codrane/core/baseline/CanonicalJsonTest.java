package codrane.core.baseline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CanonicalJsonTest {
    @Test
    void of_keysInAnyOrder_isTheSameText() {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("b", List.of(1, 2L, true));
        one.put("a", Map.of("x", "y"));
        Map<String, Object> two = new LinkedHashMap<>();
        two.put("a", Map.of("x", "y"));
        two.put("b", List.of(1, 2L, true));
        assertThat(CanonicalJson.of(one))
                .isEqualTo("{\"a\":{\"x\":\"y\"},\"b\":[1,2,true]}")
                .isEqualTo(CanonicalJson.of(two));
    }

    @Test
    void of_quotesControlsAndForeignLetters_areEscaped() {
        assertThat(CanonicalJson.of("a\"b\\c\n\u00e9\u0000")).isEqualTo("\"a\\\"b\\\\c\\u000a\\u00e9\\u0000\"");
    }

    @Test
    void of_whatHasNoOneText_isRefused() {
        assertThrows(IllegalArgumentException.class, () -> CanonicalJson.of(1.5));
    }
}
