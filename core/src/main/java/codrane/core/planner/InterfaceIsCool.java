package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.Locale;

/** Interfaces stop from heat: no programming is begun on a hot one. */
final class InterfaceIsCool implements Rule {
    /** Source: unchecked; workshop policy. */
    private static final double HOT = 60;

    @Override
    public String id() {
        return "interface-is-cool";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        double celsius = facts.aids().place().interfaceCelsius().orElse(Double.NaN);
        if (Double.isNaN(celsius)) return Judgement.notNeeded("The interface's temperature is not known.");
        String has = String.format(Locale.ROOT, "The interface has %.0f °C", celsius);
        if (celsius < HOT) return Judgement.notNeeded(has + ": cool enough.");
        return draft.has(Kind.PROGRAM)
                ? Judgement.blocked(has + " and may stop from heat: let it cool before programming.")
                : Judgement.notNeeded(has + ": shade it, and let it cool before anything long.");
    }
}
