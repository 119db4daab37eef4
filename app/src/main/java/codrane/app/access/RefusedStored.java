package codrane.app.access;

import codrane.app.notes.NoteKind;

/** The act that was refused for want of an authorisation, as it is stored: the remedy leads back to it. */
public record RefusedStored(String stage, String title, String reason) {
    public static final NoteKind<RefusedStored> KIND = NoteKind.first("refused", RefusedStored.class);
}
