package codrane.app.sound;

import codrane.app.notes.NoteKind;

/** What the seller of a licence advises, as a variant of the module. */
record SellerStored(String advises) {
    static final NoteKind<SellerStored> KIND = NoteKind.first("seller", SellerStored.class);
}
