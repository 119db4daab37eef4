package codrane.app.cli;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.PrintWriter;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Prints results as text or JSON; errors as JSON on the error stream when JSON was asked for. */
final class Output {
    /** Members in the order of the record; what is empty is left out. */
    private static final ObjectMapper JSON = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
            .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .build();

    private final PrintWriter out;
    private final PrintWriter err;
    private final boolean json;

    Output(PrintWriter out, PrintWriter err, boolean json) {
        this.out = out;
        this.err = err;
        this.json = json;
    }

    private record ErrorTold(
            @com.fasterxml.jackson.annotation.JsonProperty("class")
            String kind,

            String message,
            Optional<String> where) {}

    /** A constant as it stands in JSON. */
    static String dashed(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @param command names the schema, which is the first member */
    private static String json(String command, Object result) {
        ObjectNode object = JSON.createObjectNode().put("schema", "codrane." + command + "/1");
        return JSON.writeValueAsString(object.setAll((ObjectNode) JSON.valueToTree(result)));
    }

    /**
     * @param command with a dash between its words
     * @param result a record whose components are the members
     */
    void result(String command, Object result, String text) {
        out.println(json ? json(command, result) : text);
    }

    void line(String text) {
        out.println(text);
        out.flush();
    }

    /** @return the exit code for usage and I/O */
    int error(String kind, String message, String where) {
        ErrorTold told = new ErrorTold(kind, message, Optional.of(where).filter(w -> !w.isEmpty()));
        err.println(json ? json("error", told) : "codrane: " + message);
        return Main.USAGE;
    }

    /** Prints an error of a check that found something. */
    void found(String command, Object result, String text) {
        err.println(json ? json(command, result) : text);
    }
}
