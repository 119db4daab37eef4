package codrane.core.plan;

/** What must be kept, or waived by name with a reason, before what depends on it. */
public enum HoldPoint {
    OLD_MODULE_ASKED(Stage.INTAKE, "Somebody said where the old module is", By.FACT, false),
    PAPERS_AGREE(Stage.INTAKE, "Plate and papers name the same vehicle", By.FACT, true),
    CONSENT(Stage.INTAKE, "Customer agrees to the work", By.PERSON, true),
    OWNERSHIP_PROVED(Stage.INTAKE, "Ownership is proved: keys or the immobiliser are touched", By.FACT, false),
    LINK_PROVEN(Stage.BENCH, "One request was answered over this link", By.FACT, false),
    SUPPLY_HELD(Stage.BENCH, "The supply voltage is read and within its window", By.FACT, false),
    OLD_MODULE_READ(Stage.BENCH, "The old module was read before its removal, or could not be", By.FACT, true),
    FAULTS_RECORDED(Stage.IDENTIFY, "Faults are written down before anything is cleared", By.FACT, false),
    IDENTITY_SETTLED(Stage.IDENTIFY, "The VINs agree, or the donor is accepted", By.PERSON, true),
    VARIANT_NAMED(Stage.IDENTIFY, "A person said which variant it is", By.FACT, false),
    AUTHORISED(Stage.UNLOCK, "The gateway was seen open, for long enough", By.FACT, false),
    BASELINE_STORED(Stage.BASELINE, "Everything readable is stored", By.FACT, false),
    PLAN_AGREED(Stage.DECIDE, "The plan is agreed to", By.PERSON, false),
    LEAD_APPROVED(
            Stage.DECIDE, "The lead approves it: the market's rules, or the risk, ask for that", By.PERSON, false),
    PART_IN_PLACE(Stage.DECIDE, "The new part is in its place, and was scanned there", By.FACT, false),
    FILE_CHECKED(Stage.PREPARE, "The calibration is whole and for this hardware", By.FACT, false),
    SHEET_CHECKED(Stage.PREPARE, "The line sheet is whole and for this vehicle", By.FACT, false),
    GAPS_CONFIRMED(Stage.PREPARE, "Every gap of the reference was confirmed", By.PERSON, false),
    KEYS_COUNTED(Stage.PREPARE, "All keys are here, or the missing ones are given up", By.FACT, false),
    EVERYTHING_HERE(Stage.PREPARE, "Everything that the plan needs is here", By.FACT, false),
    POWER_READY(Stage.PREPARE, "Supply held for 10 s at the start voltage", By.FACT, false),
    NO_WAY_BACK(Stage.RUN, "VIN and part were looked at once more: what follows can't be undone", By.PERSON, false),
    WRITES_RELEASED(Stage.RUN, "The writes are released", By.PERSON, false),
    RUN_FINISHED(Stage.RUN, "Every write of the run is read back", By.FACT, false),
    SETTLED(Stage.SETTLE, "What the plan wants for the vehicle to come to rest was done", By.PERSON, true),
    READ_BACK_AGREES(Stage.PROVE, "A fresh scan agrees with what was written", By.FACT, true),
    FUNCTION_TESTED(Stage.PROVE, "The function itself was tried", By.PERSON, true);

    /** Who keeps a hold point: a person by name, or what was read. */
    public enum By {
        PERSON,
        FACT
    }

    private final Stage stage;
    private final String title;
    private final By by;
    private final boolean waivable;

    HoldPoint(Stage stage, String title, By by, boolean waivable) {
        this.stage = stage;
        this.title = title;
        this.by = by;
        this.waivable = waivable;
    }

    public Stage stage() {
        return stage;
    }

    public String title() {
        return title;
    }

    public By by() {
        return by;
    }

    /** Whether a person may waive it with a reason. */
    public boolean waivable() {
        return waivable;
    }

    /** As in addresses: lower case with dashes. */
    public String key() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    public static java.util.Optional<HoldPoint> of(String key) {
        return java.util.Arrays.stream(values())
                .filter(h -> h.key().equals(key))
                .findFirst();
    }
}
