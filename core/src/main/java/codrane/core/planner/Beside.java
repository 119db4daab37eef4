package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.List;

/** Modules that differ, and are no part of the job: said, so that somebody answers it with a job of its own. */
public final class Beside {
    private Beside() {}

    /** @param sentence what differs, with the module's title */
    public record Odd(String module, String sentence) {}

    /** @param written modules that the plan writes */
    public static List<Odd> of(VehicleFacts facts, List<String> written) {
        List<Odd> odd = new ArrayList<>();
        Grammar grammar = new Grammar(facts.pack());
        for (PackModule module : facts.pack().modules().values()) {
            boolean own = written.contains(module.id())
                    || facts.newPart()
                            .or(facts::module)
                            .filter(m -> m.id().equals(module.id()))
                            .isPresent();
            ModuleAnswer answer = facts.answer(module.id());
            if (own || !facts.answers().containsKey(module.id())) continue;
            List<String> differs = answer.answers() ? differs(facts, module, answer) : List.of("does not answer");
            if (!differs.isEmpty())
                odd.add(new Odd(
                        module.id(), grammar.agree(module.title() + " " + String.join(", and ", differs) + ".")));
        }
        return List.copyOf(odd);
    }

    private static List<String> differs(VehicleFacts facts, PackModule module, ModuleAnswer answer) {
        if (answer.bootOnly()) return List.of("answers only from its boot software");
        List<String> differs = new ArrayList<>();
        boolean empty = answer.vin().filter(String::isEmpty).isPresent();
        if (empty || answer.foreign(facts.vin())) differs.add(OneVehicle.held(facts, module.id()));
        CodingState coding = facts.coding(module.id());
        if (coding == CodingState.BLANK) differs.add("was never coded");
        if (coding == CodingState.FOR_ANOTHER) differs.add("is coded for another vehicle");
        if (coding == CodingState.CHECK_WRONG) differs.add("holds coding whose check does not fit");
        if (!answer.software().isEmpty() && AgreementMatrix.tooOld(module, answer.software()))
            differs.add("has software " + answer.software() + ", while the vehicle needs "
                    + module.software().needed());
        return differs;
    }
}
