package codrane.core.tool;

/** The steps by which a new interface is made ready, in the order in which they must be done. */
public enum ToolStep {
    PROGRAM("Install the program", "The maker's program first: the driver looks for it.", By.PERSON),
    DRIVER("Install the driver", "Before the interface is plugged in for the first time.", By.PERSON),
    RESTART(
            "Restart the computer",
            "A driver that has not seen a restart often calls itself ready, and is not.",
            By.PERSON),
    PLUG_IN("Plug the interface in", "By cable, straight into the computer, no hub.", By.FACT),
    NUMBER("Take its number", "Read from the interface itself, and of its model's form.", By.FACT),
    FIRMWARE("Update the firmware", "With the interface on the computer's power, no vehicle on the cable.", By.FACT),
    RESTART_AGAIN("Restart the computer again", "After the update, with the interface plugged in.", By.PERSON),
    LICENCE("Note until when the licence runs", "A renewal that is forgotten stops a job in the middle.", By.FACT),
    REGISTER("Register it at the authorities", "Checks take minutes to hours; reading goes on meanwhile.", By.FACT),
    FIRST_ANSWER("Have a vehicle answer over it", "Only an answered request proves that it works.", By.FACT);

    /** Who finds that a step is done: a person, or what can be read. */
    public enum By {
        PERSON,
        FACT
    }

    private final String title;
    private final String why;
    private final By by;

    ToolStep(String title, String why, By by) {
        this.title = title;
        this.why = why;
        this.by = by;
    }

    public String title() {
        return title;
    }

    public String why() {
        return why;
    }

    public By by() {
        return by;
    }

    /** As in addresses: lower case with dashes. */
    public String key() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
