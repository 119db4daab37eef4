package codrane.core.plan;

import codrane.core.pack.Concern;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.VinLock;
import codrane.core.part.PartNumber;
import codrane.core.part.PartNumber.Fit;
import codrane.core.part.PartNumber.Verdict;
import codrane.core.scan.CodingState;
import codrane.core.vin.Vin;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A replacing part judged: by its number, its VIN lock, the model year, what it still contains, and what happens if it
 * is the wrong one.
 *
 * @param verdict by number; empty while the number of the new part is not known
 * @param year whether the part is for the vehicle's model year, as a sentence
 * @param yearFits false only when the pack says so
 * @param contains what the part still holds of its donor, as read; or what such a part may hold
 * @param ifWrong what happens if it is the wrong one
 */
public record PartCheck(
        Optional<Verdict> verdict,
        VinLock lock,
        String year,
        boolean yearFits,
        List<String> contains,
        List<String> ifWrong) {
    public PartCheck {
        contains = List.copyOf(contains);
        ifWrong = List.copyOf(ifWrong);
    }

    /** With what the part told when it was scanned. */
    public static PartCheck of(VehicleFacts facts) {
        return of(facts, facts.module().orElseThrow());
    }

    /** What answers while the old module is in its place, or while the new one is in its box, is not the part. */
    public static PartCheck of(VehicleFacts facts, PackModule module) {
        String fitted = facts.part().fitted().isEmpty()
                ? module.parts().fitted()
                : facts.part().fitted();
        boolean old = facts.oldInPlace();
        ModuleAnswer answer = old ? ModuleAnswer.SILENT : facts.answer(module.id());
        return of(
                facts.pack(),
                module,
                verdict(
                        module,
                        fitted,
                        facts.part().offered(),
                        old ? "" : facts.part().told()),
                Optional.of(facts.vin()),
                answer.answers() ? Optional.of(answer) : Optional.empty());
    }

    /** Label and part may say different things: the worse of the two counts, and the difference is said. */
    private static Optional<Verdict> verdict(PackModule module, String fitted, String label, String told) {
        Optional<Verdict> byLabel = verdict(module, fitted, label);
        Optional<Verdict> byPart = verdict(module, fitted, told);
        boolean same = PartNumber.canonical(label).equals(PartNumber.canonical(told));
        if (same || byLabel.isEmpty() || byPart.isEmpty()) return byLabel.or(() -> byPart);
        Verdict worse = byPart.get().fit().compareTo(byLabel.get().fit()) > 0 ? byPart.get() : byLabel.get();
        return Optional.of(new Verdict(
                worse.fit(),
                worse.reason() + " Its label says " + label.strip() + ", the part itself tells " + told.strip() + "."));
    }

    private static Optional<Verdict> verdict(PackModule module, String fitted, String number) {
        return number.isBlank()
                ? Optional.empty()
                : Optional.of(PartNumber.compare(fitted, number, module.parts().numbering()));
    }

    /**
     * @param vin of the vehicle; empty when only numbers are compared
     * @param answer of the part; empty when it was not scanned
     */
    public static PartCheck of(
            Pack pack,
            PackModule module,
            String fitted,
            String offered,
            Optional<Vin> vin,
            Optional<ModuleAnswer> answer) {
        return of(pack, module, verdict(module, fitted, offered), vin, answer);
    }

    private static PartCheck of(
            Pack pack, PackModule module, Optional<Verdict> verdict, Optional<Vin> vin, Optional<ModuleAnswer> answer) {
        boolean yearFits = vin.map(v ->
                        years(pack, v).stream().anyMatch(y -> module.parts().madeFor(y)))
                .orElse(true);
        return new PartCheck(
                verdict,
                module.traits().vinLock(),
                year(pack, module, vin, yearFits),
                yearFits,
                answer.map(a -> contains(pack, module, vin, a)).orElseGet(() -> mayContain(pack, module)),
                ifWrong(pack, module));
    }

    private static List<Integer> years(Pack pack, Vin vin) {
        return vin.modelYears(pack.vinRule().firstYear(), pack.vinRule().lastYear());
    }

    private static String year(Pack pack, PackModule module, Optional<Vin> vin, boolean fits) {
        String made = module.parts()
                .years()
                .map(y -> "Made for model years " + y.from() + " to " + y.to() + ".")
                .orElse("The pack names no model years for this part.");
        if (vin.isEmpty()) return made;
        String years = years(pack, vin.get()).stream().map(String::valueOf).collect(Collectors.joining(" or "));
        if (years.isEmpty()) return made + " The VIN does not tell the vehicle's.";
        return made + " The vehicle is of " + years + (fits ? "." : ": it does not fit.");
    }

    /** What such a part holds when it is not new. */
    private static List<String> mayContain(Pack pack, PackModule module) {
        List<String> may = new ArrayList<>();
        may.add("Not read yet: plug it in and scan.");
        String kept = module.blocks().isEmpty()
                ? "A used one keeps its donor's VIN."
                : "A used one keeps its donor's VIN and coding.";
        may.add(kept + (inImmobiliser(pack, module) ? " And its donor's immobiliser secret." : ""));
        return may;
    }

    private static List<String> contains(Pack pack, PackModule module, Optional<Vin> vin, ModuleAnswer answer) {
        List<String> contains = new ArrayList<>();
        String held = answer.vin().orElse("?");
        boolean foreign = vin.map(answer::foreign).orElse(false);
        if (held.equals("?")) contains.add("Its VIN was not read.");
        else if (held.isEmpty()) contains.add("No VIN.");
        else contains.add("VIN " + held + (foreign ? ", of another vehicle." : ", this vehicle's."));
        contains.add(
                answer.bootOnly()
                        ? "Boot software only: no application."
                        : "Software " + (answer.software().isEmpty() ? "not read" : answer.software()) + ".");
        contains.add("Coding: " + coding(answer.coding()) + ".");
        if (inImmobiliser(pack, module) && foreign) contains.add("Its donor's immobiliser secret.");
        if (!answer.faults().isEmpty())
            contains.add(answer.faults().size() + (answer.faults().size() == 1 ? " fault" : " faults") + " stored.");
        return contains;
    }

    private static String coding(CodingState state) {
        return state == CodingState.AGREES ? "made for this vehicle" : state.words();
    }

    private static List<String> ifWrong(Pack pack, PackModule module) {
        List<String> wrong = new ArrayList<>();
        wrong.add(
                switch (module.traits().vinLock()) {
                    case BOUND -> "The first VIN written stays for good: the part can't go back or elsewhere.";
                    case CLEANABLE -> "The VIN written stays until a specialist cleans it: two days by ferry.";
                    case REWRITABLE -> "Its VIN and coding are written over again; the part can go back.";
                });
        if (module.flash().isPresent())
            wrong.add("With other hardware the programming is refused, or leaves boot software only.");
        if (inImmobiliser(pack, module)) wrong.add("The vehicle does not start with it.");
        for (Concern concern : module.traits().concerns())
            if (concern == Concern.RESTRAINTS || concern == Concern.DRIVER_ASSISTANCE || concern == Concern.STEERING)
                wrong.add("It may work wrongly without saying so: the vehicle is not driven until it is proved.");
        return wrong.stream().distinct().toList();
    }

    private static boolean inImmobiliser(Pack pack, PackModule module) {
        return pack.equipment()
                .immobiliser()
                .filter(i -> i.master().equals(module.id()) || i.members().contains(module.id()))
                .isPresent();
    }

    /** Whether the number and the year say that it is the right part. */
    public boolean fits() {
        return yearFits
                && verdict.map(Verdict::fit)
                        .filter(f -> f == Fit.SAME || f == Fit.ACCEPTED_SUFFIX || f == Fit.SUCCESSOR)
                        .isPresent();
    }
}
