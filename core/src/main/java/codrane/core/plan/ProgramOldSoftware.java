package codrane.core.plan;

import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import codrane.core.scan.ModuleReading.Presence;
import java.util.ArrayList;
import java.util.List;

/** Program the replaced module when it has no software, or older software than the vehicle needs. */
final class ProgramOldSoftware implements Rule {
    @Override
    public String id() {
        return "program-old-software";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty()) return new Judgement.NotNeeded("Nothing was replaced.");
        PackModule module = facts.replacedModule().get();
        ModuleReading reading = facts.replacedReading();
        if (!reading.answers()) return new Judgement.NotNeeded(module.title() + " is silent.");
        if (reading.presence() == Presence.BOOT_ONLY) {
            return program(
                    facts,
                    module,
                    module.title() + " answers only from its boot software: the application is missing.");
        }
        String software = reading.text(Ident.SOFTWARE).orElse("");
        if (software.isEmpty())
            return new Judgement.Blocked(module.title() + " did not say which software it has: scan again.");
        if (!AgreementMatrix.tooOld(module, software)) {
            return new Judgement.NotNeeded(
                    "Software " + software + " fits: " + module.title() + " is coded, not programmed.");
        }
        return program(
                facts,
                module,
                "Software " + software + " is older than " + module.software().needed()
                        + ", which this vehicle needs.");
    }

    private static Judgement program(VehicleFacts facts, PackModule module, String reason) {
        if (module.flash().isEmpty()) {
            return new Judgement.Blocked(reason + " The pack does not say how to program it.");
        }
        PackModule.Flash flash = module.flash().get();
        List<String> prompts = new ArrayList<>();
        prompts.add("Key on, engine off");
        if (!module.traits().looks().isEmpty()) {
            prompts.add(
                    "Normal while it runs: " + String.join(", ", module.traits().looks()));
        }
        Operation operation = new Operation(
                Operation.Kind.PROGRAM,
                module.id(),
                "Program the " + module.lowerTitle() + " to "
                        + module.software().needed() + " or newer",
                List.of(reason),
                List.of("calibration for its hardware", "supply at programming voltage"),
                List.of(HoldPoint.FILE_CHECKED, HoldPoint.POWER_READY, HoldPoint.WRITES_RELEASED),
                false,
                ProgrammingSeconds.of(facts.pack(), flash),
                prompts);
        return Judgement.Applies.of(reason, operation);
    }
}
