package codrane.core.pack;

/** What becomes of a module once a VIN was written into it. */
public enum VinLock {
    REWRITABLE("Its VIN can be written anew.", "A used part can be taken as it is."),
    CLEANABLE(
            "It keeps its first VIN until a specialist cleans it.",
            "A used part goes to a specialist first; a new one can be taken."),
    BOUND(
            "It is bound to the first VIN written into it: only a new part can be used.",
            "A used part stays its donor's for good.");

    private final String words;
    private final String used;

    VinLock(String words, String used) {
        this.words = words;
        this.used = used;
    }

    public String words() {
        return words;
    }

    /** What that means for a used part, as a sentence. */
    public String usedPart() {
        return used;
    }
}
