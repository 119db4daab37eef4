package codrane.core.job;

import codrane.core.pack.Pack;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.WorkAsked;
import java.util.Arrays;
import java.util.Optional;

/**
 * What is to be done, as it was typed; each empty when nothing was chosen.
 *
 * @param kind name of a {@link JobKind}
 * @param module id
 * @param origin name of a {@link PartOrigin}
 */
public record WantedForm(String complaint, String kind, String module, String origin) {
    /** What was meant, or what is wrong at which field. */
    public sealed interface Read {
        record Good(Job.Wanted wanted) implements Read {}

        /** @param field "kind" or "replaced" */
        record Wrong(String field, String sentence) implements Read {}
    }

    public Read read(Pack pack) {
        Optional<String> about = Optional.of(module).filter(pack.modules()::containsKey);
        Optional<PartOrigin> from = find(PartOrigin.values(), origin);
        Optional<JobKind> found = WorkAsked.kind(kind, pack, about, from);
        if (found.isEmpty()) return new Read.Wrong("kind", "Choose what is to be done.");
        JobKind work = found.get();
        if (work == JobKind.READY_TOOL)
            return new Read.Wrong("kind", "A new tool is made ready under Tools: it is no job on a vehicle.");
        if (work.namesModule() && about.isEmpty())
            return new Read.Wrong(
                    "replaced",
                    "Choose the module that " + (work.replaces() ? "was replaced" : "this is about") + "; the "
                            + pack.title() + " has none of this name.");
        return new Read.Good(new Job.Wanted(
                work, complaint.strip(), about.filter(m -> work.namesModule()), from.filter(o -> work.replaces())));
    }

    private static <E extends Enum<E>> Optional<E> find(E[] values, String name) {
        return Arrays.stream(values).filter(v -> v.name().equals(name)).findFirst();
    }
}
