package codrane.core.plan;

import codrane.core.pack.Concern;
import codrane.core.pack.FileRoute;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.Arrays;
import java.util.Optional;

/** What somebody wants, in plain sentences; the kind of job follows from it, from the module and from the part. */
public enum WorkAsked {
    LOOK("Only look: store everything that can be read", JobKind.BASELINE_ONLY),
    FAULTS("Faults are stored: judge them, and clear them", JobKind.CLEAR_FAULTS),
    PART("A part was replaced, or is going to be", JobKind.REPLACE_MODULE),
    DEAD("A dead part that kept the vehicle's data is replaced", JobKind.REPLACE_DEAD),
    LEARN("A part is the right one, and carries another VIN", JobKind.LEARN_VIN),
    SETTING("A setting is to be another, by its name", JobKind.CHANGE_SETTING),
    MEASURE("A width, a limit or a volume is to be another", JobKind.SCALED_VALUE),
    LINE("An instruction names a line and a byte", JobKind.CHANGE_LINE),
    LOST("A setting was lost, after an update perhaps", JobKind.FIND_LOST_SETTING),
    FITTED("Equipment is fitted, and was never enabled", JobKind.ENABLE_EQUIPMENT),
    ADDED("A part was added that the vehicle was built without", JobKind.RETROFIT),
    VARIANT("A licence was bought for another variant", JobKind.CHOOSE_VARIANT),
    NEWER("Newer software for a module that stays", JobKind.UPDATE_SOFTWARE),
    ALTERED("Somebody altered the software: the maker's goes back", JobKind.RESTORE_SOFTWARE);

    /** Instead of a kind: a part came in, and what it is decides. */
    public static final String PART_OF_ANY_KIND = "PART";

    private final String sentence;
    private final JobKind kind;

    WorkAsked(String sentence, JobKind kind) {
        this.sentence = sentence;
        this.kind = kind;
    }

    public String sentence() {
        return sentence;
    }

    /** As forms send it: the kind itself; for a part it is the plainest one, and {@link #PART_OF_ANY_KIND} follows. */
    public String value() {
        return kind.name();
    }

    /** What was asked for when a job of this kind came of it; empty for what is no work on a vehicle. */
    public static Optional<WorkAsked> of(JobKind kind) {
        return Arrays.stream(values())
                .filter(w -> w.kind == kind)
                .findFirst()
                .or(() -> Optional.of(PART).filter(w -> kind.replaces()));
    }

    public JobKind.Group group() {
        return kind.group();
    }

    /**
     * The kind of a job.
     *
     * @param value as a form sent it, or the name of a kind
     * @param module that the work is about
     * @param origin of a new part
     */
    public static Optional<JobKind> kind(
            String value, Pack pack, Optional<String> module, Optional<PartOrigin> origin) {
        if (value.equals(PART_OF_ANY_KIND))
            return Optional.of(
                    module.map(m -> ofPart(pack, pack.module(m), origin)).orElse(JobKind.REPLACE_MODULE));
        return Arrays.stream(JobKind.values())
                .filter(k -> k.name().equals(value))
                .findFirst();
    }

    /** By what the part is: what it guards, what it looks at, where its file comes from, and whether it is new. */
    private static JobKind ofPart(Pack pack, PackModule part, Optional<PartOrigin> origin) {
        boolean isNew = origin.filter(o -> o == PartOrigin.NEW).isPresent();
        boolean guards = pack.equipment()
                .immobiliser()
                .filter(i -> i.master().equals(part.id()) || i.members().contains(part.id()))
                .isPresent();
        if (guards) return JobKind.REPLACE_IMMOBILISER;
        if (part.traits().concerns().contains(Concern.DRIVER_ASSISTANCE)) return JobKind.REPLACE_SENSOR;
        boolean mailed = part.software().file().way() == FileRoute.Way.MAIL;
        if (mailed || part.traits().concerns().contains(Concern.LICENSED_WORK)) return JobKind.REPLACE_LICENSED;
        return isNew && part.flash().isPresent() ? JobKind.REPLACE_BY_NEW : JobKind.REPLACE_MODULE;
    }
}
