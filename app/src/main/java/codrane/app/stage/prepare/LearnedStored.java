package codrane.app.stage.prepare;

import codrane.app.notes.Note;
import codrane.app.notes.NoteKind;
import codrane.core.octets.Bytes;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What was typed of what an old part had learned, as it is stored: its subject is the module.
 *
 * @param octets in hex, by key of the adaptation
 */
record LearnedStored(Map<String, String> octets) {
    static final NoteKind<LearnedStored> KIND = NoteKind.first("learned", LearnedStored.class);

    static LearnedStored of(Map<String, Bytes> values) {
        Map<String, String> hex = new LinkedHashMap<>();
        values.forEach((key, octets) -> hex.put(key, octets.hex()));
        return new LearnedStored(hex);
    }

    static Map<String, Bytes> values(Note.Read<LearnedStored> note) {
        Map<String, Bytes> values = new LinkedHashMap<>();
        note.content().octets().forEach((key, hex) -> values.put(key, Bytes.parse(hex)));
        return values;
    }
}
