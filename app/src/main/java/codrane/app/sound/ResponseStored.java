package codrane.app.sound;

import codrane.app.notes.NoteKind;
import codrane.core.response.FrequencyResponse;
import codrane.core.response.FrequencyResponse.Point;
import java.util.List;

/**
 * A measured response as it is stored, under the name of what was heard.
 *
 * @param how it was measured, in words
 * @param hz rising
 * @param db one for each
 */
record ResponseStored(String how, List<Double> hz, List<Double> db) {
    static final NoteKind<ResponseStored> KIND = NoteKind.first("response", ResponseStored.class);

    static ResponseStored of(String how, FrequencyResponse response) {
        return new ResponseStored(
                how,
                response.points().stream().map(Point::hz).toList(),
                response.points().stream().map(Point::db).toList());
    }

    FrequencyResponse response() {
        return FrequencyResponse.of(hz, db);
    }
}
