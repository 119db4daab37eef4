package codrane.core.baseline;

/**
 * One setting that is to be put back.
 *
 * @param layout block that holds it
 * @param value as it was left, as text
 * @param found as it was found when this was decided
 */
public record PutBack(String module, String layout, String field, String value, String found) {
    /** Names it in forms: layout, slash, field. */
    public String key() {
        return layout + "/" + field;
    }
}
