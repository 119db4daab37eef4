package codrane.core.plan;

/** Kinds of jobs that can be planned, with their number in the list of kinds. */
public enum JobKind {
    REPLACE_MODULE("K9", "Replace a module"),
    CLEAR_FAULTS("K1", "Clear faults"),
    FIND_LOST_SETTING("K4", "Find a setting that was lost, put it back"),
    BASELINE_ONLY("K16", "Baseline only, nothing is written");

    private final String number;
    private final String title;

    JobKind(String number, String title) {
        this.number = number;
        this.title = title;
    }

    public String number() {
        return number;
    }

    public String title() {
        return title;
    }
}
