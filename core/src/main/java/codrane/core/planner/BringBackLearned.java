package codrane.core.planner;

import codrane.core.pack.Adaptation;
import codrane.core.pack.PackModule;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What a module learned of this vehicle is read before and learned or written after: end stops, straight ahead, injectors. */
public final class BringBackLearned implements Rule {
    /** Whether nobody read what the old part had learned: its label or the maker tells it. */
    public static boolean fromElsewhere(VehicleFacts facts, String module) {
        boolean replaced = facts.newPart().filter(m -> m.id().equals(module)).isPresent();
        return replaced && !facts.part().old().equals(Optional.of(PartFacts.Old.READ));
    }

    @Override
    public String id() {
        return "bring-back-learned";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Set<String> lost = new LinkedHashSet<>(draft.modulesOf(Set.of(Kind.PROGRAM)));
        facts.newPart()
                .map(PackModule::id)
                .filter(id -> draft.has(Kind.WRITE_VIN, id))
                .ifPresent(lost::add);
        List<Operation> operations = new ArrayList<>();
        for (String id : lost) {
            PackModule module = facts.pack().module(id);
            if (module.adaptations().isEmpty()) continue;
            boolean learned = facts.pack().equipment().procedures().values().stream()
                    .anyMatch(p -> p.module().equals(id) && p.effect() != Effect.ACTUATE);
            boolean replaced = facts.newPart().filter(m -> m.id().equals(id)).isPresent();
            if (!replaced && !draft.has(Kind.READ_CODING, id)) operations.add(read(module));
            if (!learned) operations.add(bringBack(facts, module));
        }
        return operations.isEmpty()
                ? Judgement.notNeeded("Nothing that a module learned of this vehicle is lost, or it is learned anew.")
                : new Judgement.Applies("What a module learned of this vehicle belongs to the vehicle.", operations);
    }

    /** What the module learns of its vehicle, in a sentence. */
    public static String names(PackModule module) {
        return module.adaptations().stream()
                .map(Adaptation::title)
                .map(t -> t.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + t.substring(1))
                .collect(Collectors.joining(", "));
    }

    private static Operation read(PackModule module) {
        return Operation.of(
                Kind.READ_CODING,
                module.id(),
                "Read coding and learned values of the " + module.lowerTitle(),
                Seconds.PER_BLOCK + module.adaptations().size(),
                "Programming sets back what the " + module.lowerTitle() + " learned: " + names(module) + ".");
    }

    private static Operation bringBack(VehicleFacts facts, PackModule module) {
        boolean read = !fromElsewhere(facts, module.id());
        String learned = "No routine learns " + names(module) + " of the " + module.lowerTitle() + " anew: "
                + (read
                        ? "what was read before goes back."
                        : "nothing was read of the old one, so the maker is asked.");
        return Operation.of(
                        Kind.WRITE_LEARNED,
                        module.id(),
                        "Write back what the " + module.lowerTitle() + " had learned",
                        module.adaptations().size() * Seconds.VIN,
                        learned)
                .needing(
                        read ? "learned values, read before" : "learned values, from the label or the maker",
                        "supply at coding voltage");
    }
}
