package codrane.app.web;

/** Something typed holds what no text may hold; the message says what. */
final class TextThatCantBeKept extends RuntimeException {
    TextThatCantBeKept(String message) {
        super(message);
    }
}
