package codrane.app.codes;

import codrane.app.notes.NoteKind;

/**
 * A code as it is stored: its subject is the kind of code.
 *
 * @param sealed nonce and encrypted digits, Base64
 */
public record CodeStored(String sealed) {
    public static final NoteKind<CodeStored> KIND = NoteKind.first("code", CodeStored.class);
}
