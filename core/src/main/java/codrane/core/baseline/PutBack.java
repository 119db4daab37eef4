package codrane.core.baseline;

/**
 * One setting that is to be put back, or a whole block of the same module with the same software.
 *
 * @param layout block that holds it
 * @param field of the block; {@link #WHOLE} for all its octets
 * @param value as it was left, as text; hex for a whole block
 * @param found as it was found when this was decided
 */
public record PutBack(String module, String layout, String field, String value, String found) {
    /** Stands for a whole block. */
    public static final String WHOLE = "*";

    public boolean whole() {
        return field.equals(WHOLE);
    }

    /** Names it in forms: layout, slash, field. */
    public String key() {
        return layout + "/" + field;
    }
}
