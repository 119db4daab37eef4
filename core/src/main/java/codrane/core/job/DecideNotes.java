package codrane.core.job;

import codrane.core.plan.Aids;
import java.util.List;
import java.util.Set;

/**
 * What people said for the plan. Text is empty when nothing was said.
 *
 * @param wording of the service information
 * @param fitted part number of the old part
 * @param offered part number on the new part's label
 * @param feature to be enabled
 * @param codesOut of the vehicle order
 * @param codesIn of the vehicle order
 * @param settled what was tried already to calm the vehicle down
 */
public record DecideNotes(
        String wording,
        String fitted,
        String offered,
        String feature,
        List<String> codesOut,
        List<String> codesIn,
        Set<Aids.Settling> settled) {
    public static final DecideNotes NONE = new DecideNotes("", "", "", "", List.of(), List.of(), Set.of());

    public DecideNotes {
        codesOut = List.copyOf(codesOut);
        codesIn = List.copyOf(codesIn);
        settled = Set.copyOf(settled);
    }

    public DecideNotes withPart(String fittedNumber, String offeredNumber) {
        return new DecideNotes(wording, fittedNumber, offeredNumber, feature, codesOut, codesIn, settled);
    }

    public DecideNotes withWording(String text) {
        return new DecideNotes(text, fitted, offered, feature, codesOut, codesIn, settled);
    }

    public DecideNotes withFeature(String id) {
        return new DecideNotes(wording, fitted, offered, id, codesOut, codesIn, settled);
    }

    public DecideNotes withCodes(List<String> out, List<String> in) {
        return new DecideNotes(wording, fitted, offered, feature, out, in, settled);
    }
}
