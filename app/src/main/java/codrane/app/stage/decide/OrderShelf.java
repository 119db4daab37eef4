package codrane.app.stage.decide;

import codrane.core.job.DecideNotes;
import codrane.core.job.JobState;
import codrane.core.order.OrderCoding;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.Pack;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.OrderWork;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The vehicle order as shelves, a family on each, with what goes out, what comes in, and what follows from it.
 *
 * @param read where it is from, as a sentence
 * @param words what was chosen; empty when nothing was
 * @param shelves of which modules know
 * @param unknown of which no module knows: to be read, not to be changed
 * @param follows by module that is coded, in the plan's order
 */
public record OrderShelf(String read, String words, List<Shelf> shelves, List<Shelf> unknown, List<Follows> follows) {
    /**
     * @param one whether a code takes the place of another
     */
    public record Shelf(String title, boolean one, List<Code> codes) {}

    /**
     * @param there whether the vehicle has it now
     * @param moves whether it goes out, or comes in
     */
    public record Code(String code, String title, boolean there, boolean moves) {
        /** What ticking it says. */
        public String field() {
            return there ? "out" : "in";
        }
    }

    /**
     * @param intended what is meant by the change, each as words
     * @param besides what changes because module and order disagreed before
     */
    public record Follows(String module, List<String> intended, List<String> besides) {}

    static OrderShelf of(JobState state, VehicleFacts facts, VehicleOrder order) {
        List<String> now = state.baselined().orderNow();
        DecideNotes notes = state.decided().notes();
        List<Shelf> shelves = new ArrayList<>();
        List<Shelf> unknown = new ArrayList<>();
        List<String> single = new ArrayList<>(order.titles().keySet());
        for (Family family : order.families().values()) {
            single.removeAll(family.codes());
            boolean known = !OrderCoding.about(order, family.codes()).isEmpty();
            boolean one = family.inEachOthersWay(family.codes()).size() > 1;
            (known ? shelves : unknown)
                    .add(new Shelf(
                            family.title(), one, codes(order, family.codes(), family.title() + " ", now, notes)));
        }
        if (!single.isEmpty()) shelves.add(new Shelf("Single options", false, codes(order, single, "", now, notes)));
        String read = now.isEmpty()
                ? "The order was not read: store a baseline first."
                : now.size() + " codes, read from the vehicle.";
        return new OrderShelf(read, words(notes), shelves, unknown, follows(state.pack(), facts, order));
    }

    /** @param of what their titles begin with, and stands on the shelf already */
    private static List<Code> codes(
            VehicleOrder order, List<String> codes, String of, List<String> now, DecideNotes notes) {
        List<Code> all = new ArrayList<>();
        for (String code : codes) {
            String said = order.titles().getOrDefault(code, code);
            String title = said.startsWith(of) ? said.substring(of.length()) : said;
            boolean there = now.contains(code);
            all.add(new Code(code, title, there, (there ? notes.codesOut() : notes.codesIn()).contains(code)));
        }
        return all;
    }

    private static String words(DecideNotes notes) {
        return Stream.concat(
                        notes.codesOut().stream().map(code -> code + " out"),
                        notes.codesIn().stream().map(code -> code + " in"))
                .collect(Collectors.joining(", "));
    }

    private static List<Follows> follows(Pack pack, VehicleFacts facts, VehicleOrder order) {
        if (facts.wishes().order().empty()) return List.of();
        OrderWork work = OrderWork.of(facts, order);
        Map<String, Follows> follows = new LinkedHashMap<>();
        for (String module : work.coded())
            follows.put(
                    module,
                    new Follows(
                            pack.module(module).title(),
                            work.whole().contains(module)
                                    ? List.of("coded whole, from the order")
                                    : of(work.changes().intended(), module),
                            of(work.changes().sideEffects(), module)));
        return List.copyOf(follows.values());
    }

    private static List<String> of(List<OrderEffect.Change> changes, String module) {
        return changes.stream()
                .filter(c -> c.module().equals(module))
                .map(OrderEffect.Change::words)
                .toList();
    }
}
