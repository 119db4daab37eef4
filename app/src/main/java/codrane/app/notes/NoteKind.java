package codrane.app.notes;

import java.util.function.BiFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/**
 * A kind of note, whose content a room keeps in a form of its own. When that changes, the version is raised, and the
 * upcaster brings what was stored before into the new form.
 *
 * @param form a record that is stored for nothing else
 * @param version of the form, from 1
 * @param upcaster from an older version
 */
public record NoteKind<T>(String name, Class<T> form, int version, BiFunction<Integer, JsonNode, JsonNode> upcaster) {
    private static final ObjectMapper JSON = new ObjectMapper();

    /** A form that has never changed. */
    public static <T> NoteKind<T> first(String name, Class<T> form) {
        return new NoteKind<>(name, form, 1, (was, content) -> content);
    }

    String write(T content) {
        return JSON.writeValueAsString(content);
    }

    public Note.Read<T> read(Note note) {
        if (note.version() > version)
            throw new IllegalStateException("a note of version " + note.version() + " is newer than this program");
        JsonNode tree = JSON.readTree(note.content());
        JsonNode now = note.version() == version ? tree : upcaster.apply(note.version(), tree);
        return new Note.Read<>(JSON.treeToValue(now, form), note.subject(), note.at(), note.who());
    }
}
