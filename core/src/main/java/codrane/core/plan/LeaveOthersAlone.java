package codrane.core.plan;

import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.AgreementMatrix;
import codrane.core.scan.ModuleReading;
import java.util.List;

/** Policy leave-alone: modules that were not replaced are not written, however old their software is. */
final class LeaveOthersAlone implements Rule {
    @Override
    public String id() {
        return "leave-others-alone";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        List<String> old = facts.pack().modules().values().stream()
                .filter(m -> !facts.replaced().equals(java.util.Optional.of(m.id())))
                .filter(m -> isOld(m, facts.readings().get(m.id())))
                .map(PackModule::title)
                .toList();
        return new Judgement.NotNeeded(
                old.isEmpty()
                        ? "No other module is touched: each write is a risk."
                        : "Older software in " + String.join(", ", old) + " is left alone: each write is a risk.");
    }

    private static boolean isOld(PackModule module, ModuleReading reading) {
        if (reading == null) return false;
        return reading.text(Ident.SOFTWARE)
                .map(software -> AgreementMatrix.tooOld(module, software))
                .orElse(false);
    }
}
