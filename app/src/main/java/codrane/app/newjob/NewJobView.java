package codrane.app.newjob;

import codrane.core.pack.Pack;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.WorkAsked;
import java.util.Arrays;
import java.util.List;

/**
 * What can be chosen for a new job.
 *
 * @param first field at which the page begins: the first one that is wrong
 * @param firstKind the kind at which it begins when the kind is missing; else empty
 */
public record NewJobView(List<Group> groups, List<Model> models, List<Option> origins, String first, String firstKind) {
    /** Kinds of work that belong together. */
    public record Group(String title, List<Option> kinds) {}

    /** Modules of the vehicles of one pack. */
    public record Model(String title, List<Option> modules) {}

    public record Option(String value, String title) {}

    static NewJobView of(List<Pack> packs, String first) {
        List<Group> groups = Arrays.stream(JobKind.Group.values())
                .filter(g -> g != JobKind.Group.TOOL)
                .map(g -> new Group(g.title(), kinds(g)))
                .toList();
        return new NewJobView(
                groups,
                packs.stream()
                        .map(p -> new Model(
                                p.title(),
                                p.modules().values().stream()
                                        .map(m -> new Option(m.id(), m.title()))
                                        .toList()))
                        .toList(),
                Arrays.stream(PartOrigin.values())
                        .map(o -> new Option(o.name(), o.words()))
                        .toList(),
                first,
                first.equals("kind") ? groups.getFirst().kinds().getFirst().value() : "");
    }

    private static List<Option> kinds(JobKind.Group group) {
        return Arrays.stream(WorkAsked.values())
                .filter(w -> w.group() == group)
                .map(w -> new Option(w.value(), w.sentence()))
                .toList();
    }
}
