package codrane.app.cli;

import java.io.PrintStream;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Prints results as text or JSON; errors as JSON on the error stream when JSON was asked for. */
final class Output {
    private static final ObjectMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private final PrintStream out;
    private final PrintStream err;
    private final boolean json;

    Output(PrintStream out, PrintStream err, boolean json) {
        this.out = out;
        this.err = err;
        this.json = json;
    }

    /** A JSON object whose first member is the schema. */
    static Map<String, Object> object(String command) {
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("schema", "codrane." + command + "/1");
        return object;
    }

    void result(Map<String, Object> object, String text) {
        out.println(json ? JSON.writeValueAsString(object) : text);
    }

    void line(String text) {
        out.println(text);
        out.flush();
    }

    /** @return the exit code for usage and I/O */
    int error(String kind, String message, String where) {
        if (json) {
            Map<String, Object> object = object("error");
            object.put("class", kind);
            object.put("message", message);
            if (!where.isEmpty()) object.put("where", where);
            err.println(JSON.writeValueAsString(object));
        } else {
            err.println("codrane: " + message);
        }
        return Main.USAGE;
    }

    /** Prints an error object of a check that found something. */
    void found(Map<String, Object> object, String text) {
        err.println(json ? JSON.writeValueAsString(object) : text);
    }
}
