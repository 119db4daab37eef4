package codrane.app.baseline;

/**
 * The page of two baselines compared.
 *
 * @param strangers that they are of two vehicles; empty when they are of one
 */
record DiffPage(String strangers, Side before, Side after, DiffView diff) {
    /** One of the two. */
    record Side(long id, String title) {}
}
