package codrane.core.plan;

import java.util.Arrays;
import java.util.Optional;

/** Kinds of jobs, with their number in the list of kinds. */
public enum JobKind {
    CLEAR_FAULTS("K1", "Clear faults", Group.LOOK, About.VEHICLE),
    RESTORE_SOFTWARE("K2", "Put a module back to the maker's unaltered software", Group.SOFTWARE, About.MODULE),
    UPDATE_SOFTWARE("K3", "Update a module's software in place", Group.SOFTWARE, About.MODULE),
    FIND_LOST_SETTING("K4", "Find a setting that was lost, put it back", Group.SETTINGS, About.SETTINGS),
    CHANGE_SETTING("K5", "Change a setting by name", Group.SETTINGS, About.SETTINGS),
    CHANGE_LINE("K6", "Change a byte by line number, from an instruction", Group.SETTINGS, About.SETTINGS),
    ENABLE_EQUIPMENT("K7", "Enable equipment that is fitted", Group.SETTINGS, About.FEATURE),
    RETROFIT("K8", "Retrofit a part through the vehicle order", Group.SETTINGS, About.ORDER),
    REPLACE_MODULE("K9", "Replace a module", Group.PART, About.PART),
    REPLACE_BY_NEW("K10", "Replace a module by a new one that has nothing in it", Group.PART, About.PART),
    REPLACE_IMMOBILISER("K11", "Replace a member of the immobiliser by a used one", Group.PART, About.PART),
    REPLACE_DEAD("K12", "Replace a dead module that held the vehicle's data", Group.PART, About.PART),
    LEARN_VIN("K13", "Let a module learn the VIN from its neighbour", Group.PART, About.MODULE),
    REPLACE_SENSOR("K14", "Replace a sensor module, take over its coding, aim it", Group.PART, About.PART),
    REPLACE_LICENSED("K15", "Replace a module with a file by mail or purchase", Group.PART, About.PART),
    BASELINE_ONLY("K16", "Baseline only, nothing is written", Group.LOOK, About.VEHICLE),
    CHOOSE_VARIANT("K17", "Choose a variant by paid licence", Group.SETTINGS, About.SETTINGS),
    READY_TOOL("K18", "Make a new tool ready", Group.TOOL, About.TOOL),
    SCALED_VALUE("K19", "Set a scaled value", Group.SETTINGS, About.SETTINGS);

    /** As people look for them. */
    public enum Group {
        LOOK("Look and clear"),
        PART("A part was replaced"),
        SETTINGS("Settings and equipment"),
        SOFTWARE("Software"),
        TOOL("Tools");

        private final String title;

        Group(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** What a job of the kind is about, and so what must be known. */
    public enum About {
        VEHICLE,
        /** A module that stays in its place. */
        MODULE,
        /** A module that was replaced. */
        PART,
        SETTINGS,
        FEATURE,
        ORDER,
        TOOL
    }

    private final String number;
    private final String title;
    private final Group group;
    private final About about;

    JobKind(String number, String title, Group group, About about) {
        this.number = number;
        this.title = title;
        this.group = group;
        this.about = about;
    }

    public String number() {
        return number;
    }

    public String title() {
        return title;
    }

    public Group group() {
        return group;
    }

    public About about() {
        return about;
    }

    /** Whether it changes no setting, and no wish can stand beside it. */
    public boolean onlyLooks() {
        return about == About.VEHICLE || about == About.TOOL;
    }

    /** Whether a part was replaced. */
    public boolean replaces() {
        return about == About.PART;
    }

    /** Whether one module must be named. */
    public boolean namesModule() {
        return about == About.PART || about == About.MODULE;
    }

    /** @param number as in the list of kinds: K1..K19 */
    public static Optional<JobKind> of(String number) {
        return Arrays.stream(values()).filter(k -> k.number.equals(number)).findFirst();
    }
}
