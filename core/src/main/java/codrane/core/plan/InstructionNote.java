package codrane.core.plan;

import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.scan.ModuleReading;
import codrane.core.vin.Vin;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An instruction that was found elsewhere, with where it is from and for what it was written.
 *
 * @param about what it does, in words; may be empty
 * @param source where it was found; may be empty
 * @param years model years for which it is, as "2019" or "2019 to 2022"; empty when it does not say
 * @param software of the module for which it is; empty when it does not say
 */
public record InstructionNote(LineInstruction line, String about, String source, String years, String software) {
    private static final Pattern YEARS = Pattern.compile("(\\d{4})(?: *(?:to|-|–) *(\\d{4}))?");

    /** What a person typed, judged. */
    public sealed interface Read {
        record Note(InstructionNote note) implements Read {}

        record Wrong(String sentence) implements Read {}
    }

    /** What a person typed beside the instruction itself. */
    public record Typed(String about, String source, String years, String software) {
        public static final Typed NOTHING = new Typed("", "", "", "");
    }

    public static Read read(String line, Typed typed) {
        if (!typed.years().isBlank() && !YEARS.matcher(typed.years().strip()).matches())
            return new Read.Wrong("Model years are typed as \"2019\" or \"2019 to 2022\".");
        return switch (LineInstruction.read(line)) {
            case LineInstruction.Read.Wrong(String sentence) -> new Read.Wrong(sentence);
            case LineInstruction.Read.Instruction(LineInstruction read) ->
                new Read.Note(new InstructionNote(
                        read,
                        typed.about().strip(),
                        typed.source().strip(),
                        typed.years().strip(),
                        typed.software().strip()));
        };
    }

    /** Why it is not for this vehicle, as a sentence; empty when nothing that it says speaks against it. */
    public Optional<String> misfit(Pack pack, Vin vin, Map<String, ModuleReading> readings) {
        return wrongYear(vin).or(() -> line.module(pack).flatMap(module -> wrongSoftware(pack, module, readings)));
    }

    private Optional<String> wrongYear(Vin vin) {
        Matcher matcher = YEARS.matcher(years);
        if (!matcher.matches()) return Optional.empty();
        int first = Integer.parseInt(matcher.group(1));
        int last = matcher.group(2) == null ? first : Integer.parseInt(matcher.group(2));
        return vin.modelYears(first, last).isEmpty()
                ? Optional.of(
                        "The instruction is for model year " + years + ", and this vehicle is of another by its VIN.")
                : Optional.empty();
    }

    /** Another software is right as long as it keeps the block alike. */
    private Optional<String> wrongSoftware(Pack pack, PackModule module, Map<String, ModuleReading> readings) {
        String has = ModuleReading.software(readings).getOrDefault(module.id(), "");
        if (has.isEmpty() || software.isEmpty() || software.equals(has)) return Optional.empty();
        Pack then = pack.as(Map.of(module.id(), software));
        Pack now = pack.as(Map.of(module.id(), has));
        Optional<LineInstruction.Place> place = line.place(now, module);
        boolean alike = place.isEmpty()
                || then.knows(place.get().layout().id())
                        && line.place(then, module).equals(place);
        return alike
                ? Optional.empty()
                : Optional.of("The instruction is for software " + software + " of the " + module.lowerTitle()
                        + ", and this one has " + has + ", which keeps its coding otherwise.");
    }
}
