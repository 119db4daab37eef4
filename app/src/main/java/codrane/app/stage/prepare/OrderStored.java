package codrane.app.stage.prepare;

import codrane.app.notes.NoteKind;
import java.util.List;

/** The vehicle order as it was typed from the papers, as it is stored. */
record OrderStored(List<String> codes) {
    static final NoteKind<OrderStored> KIND = NoteKind.first("order", OrderStored.class);
}
