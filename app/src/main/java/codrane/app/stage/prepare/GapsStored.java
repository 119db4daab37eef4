package codrane.app.stage.prepare;

import codrane.app.notes.NoteKind;
import java.util.Map;

/**
 * What people judged of a coding that is put together from other vehicles, as it is stored.
 *
 * @param values in words, by layout and field
 */
record GapsStored(Map<String, String> values) {
    static final NoteKind<GapsStored> KIND = NoteKind.first("gaps", GapsStored.class);
}
