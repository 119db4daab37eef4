package codrane.core.planner;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PowerNeed;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.power.PowerWindow;
import codrane.core.text.Words;
import java.util.Locale;

/** How much voltage: by what is written, by the chemistry's limit, by the school. */
final class HoldTheVoltage implements Rule {
    @Override
    public String id() {
        return "hold-the-voltage";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes()) return Judgement.notNeeded("Nothing is written.");
        PowerWindow window = PowerNeed.of(facts.pack(), facts.policy(), draft.operations());
        School school = draft.has(Kind.PROGRAM) ? School.PROGRAMMING_VOLTAGE : School.CODING_VOLTAGE;
        return Judgement.notNeeded(String.format(
                Locale.ROOT,
                "%s: %.1f V to start, %.1f V held, never above %.1f V for this battery. %s",
                Words.capital(window.name()),
                window.start(),
                window.hold(),
                window.upper(),
                facts.policy().source(school)));
    }
}
