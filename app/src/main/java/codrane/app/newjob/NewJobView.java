package codrane.app.newjob;

import codrane.core.pack.Pack;
import codrane.core.plan.JobKind;
import codrane.core.plan.PartOrigin;
import java.util.Arrays;
import java.util.List;

/** What can be chosen for a new job. */
public record NewJobView(List<Group> groups, List<Model> models, List<Option> origins) {
    /** Kinds of work that belong together. */
    public record Group(String title, List<Option> kinds) {}

    /** Modules of the vehicles of one pack. */
    public record Model(String title, List<Option> modules) {}

    public record Option(String value, String title) {}

    static NewJobView of(List<Pack> packs) {
        return new NewJobView(
                Arrays.stream(JobKind.Group.values())
                        .filter(g -> g != JobKind.Group.TOOL)
                        .map(g -> new Group(g.title(), kinds(g)))
                        .toList(),
                packs.stream()
                        .map(p -> new Model(
                                p.title(),
                                p.modules().values().stream()
                                        .map(m -> new Option(m.id(), m.title()))
                                        .toList()))
                        .toList(),
                Arrays.stream(PartOrigin.values())
                        .map(o -> new Option(o.name(), o.words()))
                        .toList());
    }

    private static List<Option> kinds(JobKind.Group group) {
        return Arrays.stream(JobKind.values())
                .filter(k -> k.group() == group)
                .map(k -> new Option(k.name(), k.title()))
                .toList();
    }
}
