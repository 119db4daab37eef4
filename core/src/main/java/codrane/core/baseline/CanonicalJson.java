package codrane.core.baseline;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * JSON text that is the same for the same content: keys sorted, no blanks, integers only. Accepts maps with text keys,
 * lists, text, integers, booleans.
 */
public final class CanonicalJson {
    private CanonicalJson() {}

    public static String of(Object value) {
        StringBuilder out = new StringBuilder();
        write(value, out);
        return out.toString();
    }

    private static void write(Object value, StringBuilder out) {
        switch (value) {
            case Map<?, ?> map -> object(map, out);
            case List<?> list -> array(list, out);
            case String text -> quote(text, out);
            case Integer number -> out.append(number.intValue());
            case Long number -> out.append(number.longValue());
            case Boolean flag -> out.append(flag.booleanValue());
            default ->
                throw new IllegalArgumentException(
                        "value: " + value.getClass() + " (expected map, list, text, integer or boolean)");
        }
    }

    private static void object(Map<?, ?> map, StringBuilder out) {
        TreeMap<String, Object> sorted = new TreeMap<>();
        map.forEach((key, value) -> sorted.put((String) key, value));
        out.append('{');
        boolean first = true;
        for (Map.Entry<String, Object> entry : sorted.entrySet()) {
            if (!first) out.append(',');
            first = false;
            quote(entry.getKey(), out);
            out.append(':');
            write(entry.getValue(), out);
        }
        out.append('}');
    }

    private static void array(List<?> list, StringBuilder out) {
        out.append('[');
        for (int i = 0; i < list.size(); i++) {
            if (i > 0) out.append(',');
            write(list.get(i), out);
        }
        out.append(']');
    }

    private static void quote(String text, StringBuilder out) {
        out.append('"');
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '"' || c == '\\') out.append('\\').append(c);
            else if (c < ' ' || c > '~') out.append("\\u%04x".formatted((int) c));
            else out.append(c);
        }
        out.append('"');
    }
}
