package codrane.core.plan;

/** Where the replacing part comes from. */
public enum PartOrigin {
    NEW("new"),
    SECOND_HAND("second-hand"),
    CLEANED("cleaned by a specialist");

    private final String words;

    PartOrigin(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
