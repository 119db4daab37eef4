package codrane.core.planner;

import codrane.core.fault.Fault;
import codrane.core.pack.Pack.Cause;
import codrane.core.pack.Pack.FaultText;
import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.School;
import codrane.core.plan.ServiceWording;
import codrane.core.plan.ServiceWording.Meaning;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.AgreementMatrix;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Program, code, or both? From the part's answer, its software against what the vehicle needs, and the service
 * information's wording. What is written without need is a risk; what is missing can't be coded around.
 */
final class ProgramOrCode implements Rule {
    @Override
    public String id() {
        return "program-or-code";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.newPart().isEmpty()) return Judgement.notNeeded("No part comes into the vehicle.");
        PackModule module = facts.newPart().get();
        ModuleAnswer answer = facts.answer(module.id());
        if (!answer.answers()) return Judgement.notNeeded(module.title() + " is silent.");
        boolean codeOnly = facts.policy().is(School.SOFTWARE, "code-only");
        boolean program = facts.policy().is(School.SOFTWARE, "program");
        String chosen = facts.policy().source(School.SOFTWARE);
        if (answer.bootOnly())
            return codeOnly
                    ? Judgement.blocked(
                            module.title()
                                    + " answers only from its boot software: it can't be coded until it is programmed. Take the overrule back.")
                    : program(
                            facts,
                            module,
                            module.title() + " answers only from its boot software: the application is missing.");
        if (answer.software().isEmpty() && !facts.kind().replaces())
            return Judgement.notNeeded(module.title() + " did not say which software it has.");
        if (answer.software().isEmpty())
            return Judgement.blocked(module.title() + " did not say which software it has: scan again.");
        if (ProgramModule.newerThanKnown(facts, module))
            return Judgement.blocked(
                    ProgramModule.newer(facts, module) + ": from where it is, and whether it fits, is asked first.");
        if (codeOnly) return Judgement.notNeeded("Coded only. " + chosen + stillOld(module, answer));
        if (AgreementMatrix.tooOld(module, answer.software()))
            return program(
                    facts,
                    module,
                    "Software " + answer.software() + " is older than "
                            + module.software().needed() + ", which this vehicle needs." + unsaid(facts));
        if (program) return program(facts, module, chosen);
        return byWording(facts, module, answer);
    }

    /** What is needed without being asked for is said beside the maker's sentence, so that a person can object. */
    private static String unsaid(VehicleFacts facts) {
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        if (wording.evidence(Meaning.PROGRAM).isPresent()
                || wording.onCondition().isPresent()) return "";
        return wording.evidence(Meaning.CONFIGURE)
                .map(sentence -> " The service information asks for less: \"" + sentence + "\".")
                .orElse("");
    }

    private static String stillOld(PackModule module, ModuleAnswer answer) {
        return AgreementMatrix.tooOld(module, answer.software())
                ? " Software " + answer.software() + " stays, though the vehicle needs "
                        + module.software().needed() + "."
                : "";
    }

    /** The software fits: then the wording decides, unless programming would write what is there already. */
    private static Judgement byWording(VehicleFacts facts, PackModule module, ModuleAnswer answer) {
        ServiceWording wording = ServiceWording.of(
                facts.aids().wording(), facts.pack().equipment().habits().wording());
        boolean same = Version.parse(answer.software())
                        .compareTo(Version.parse(module.software().current()))
                >= 0;
        Optional<FaultText> unfit = stored(facts, module, Cause.SOFTWARE, Fault::present);
        if (unfit.isPresent() && !same)
            return program(
                    facts, module, "Its fault " + named(unfit.get()) + " is present: the software does not fit.");
        String fits = "Software " + answer.software() + " fits: " + module.title() + " is coded, not programmed."
                + stored(facts, module, Cause.IDENTITY, fault -> true)
                        .or(() -> stored(facts, module, Cause.CODING_MISSING, fault -> true))
                        .map(fault -> " Its fault " + named(fault) + " goes with coding, not with programming.")
                        .orElse("");
        Optional<String> says = wording.evidence(Meaning.PROGRAM);
        if (says.isEmpty())
            return Judgement.notNeeded(wording.onCondition()
                    .or(() -> wording.evidence(Meaning.CONFIGURE))
                    .map(sentence -> fits + " The service information says: \"" + sentence + "\".")
                    .orElse(fits));
        if (same)
            return Judgement.notNeeded(fits + " The service information says \"" + says.get()
                    + "\", but the newest software is in it already.");
        return program(facts, module, "The service information says: \"" + says.get() + "\".");
    }

    /** The first fault of such a cause that the module itself stores. */
    private static Optional<FaultText> stored(
            VehicleFacts facts, PackModule module, Cause cause, Predicate<Fault> which) {
        return facts.answer(module.id()).faults().stream()
                .filter(which)
                .flatMap(f -> facts.pack().fault(module.id(), f.code()).stream())
                .filter(text -> text.cause() == cause)
                .findFirst();
    }

    private static String named(FaultText fault) {
        return fault.code().text() + " \"" + fault.title() + "\"";
    }

    private static Judgement program(VehicleFacts facts, PackModule module, String reason) {
        if (module.flash().isEmpty()) {
            String unknown = reason + " The pack does not say how to program it.";
            return facts.kind().replaces() ? Judgement.blocked(unknown) : Judgement.notNeeded(unknown);
        }
        String title = "Program the " + module.lowerTitle() + " to " + facts.target(module);
        return Judgement.applies(reason, ProgramModule.of(facts, module, title, reason));
    }
}
