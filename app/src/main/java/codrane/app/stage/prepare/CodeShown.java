package codrane.app.stage.prepare;

/** A code on its page. */
public record CodeShown(long number, String title, String digits) {
    @Override
    public String toString() {
        return title;
    }
}
