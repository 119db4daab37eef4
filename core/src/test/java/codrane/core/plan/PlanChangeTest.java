package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.Operation.Kind;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlanChangeTest {
    private static final Operation SCAN = Operation.of(Kind.SCAN, "", "Scan", 10, "First.");
    private static final Operation PROGRAM = Operation.of(Kind.PROGRAM, "body", "Program the body", 60, "Too old.");
    private static final Operation CODE = Operation.of(Kind.WRITE_CODING, "body", "Code the body", 3, "Blank.");

    private static Plan plan(String reason, Operation... operations) {
        return new Plan(
                List.of(operations), List.of(new Plan.Decision("program-or-code", new Judgement.NotNeeded(reason))));
    }

    @Test
    void of_operations_saysWhatIsNewGoneAndChangedAndWhy() {
        PlanChange change =
                PlanChange.of(plan("It fits.", SCAN, CODE), plan("Too old.", SCAN.because("Again."), PROGRAM));
        assertThat(change.lines())
                .extracting(PlanChange.Line::kind, PlanChange.Line::title, PlanChange.Line::writes)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(PlanChange.Kind.CHANGED, "Scan", false),
                        org.assertj.core.groups.Tuple.tuple(PlanChange.Kind.ADDED, "Program the body", true),
                        org.assertj.core.groups.Tuple.tuple(PlanChange.Kind.REMOVED, "Code the body", true));
        assertThat(change.reasons()).containsExactly(new PlanChange.Reason("program-or-code", "It fits.", "Too old."));
    }

    @Test
    void of_samePlan_isEmpty() {
        assertThat(PlanChange.of(plan("It fits.", SCAN), plan("It fits.", SCAN)).empty())
                .isTrue();
    }

    @Test
    void of_ruleThatWasNotThereBefore_hasNoWas() {
        Plan before = new Plan(List.of(), List.of());
        assertThat(PlanChange.of(before, plan("It fits.")).reasons())
                .containsExactly(new PlanChange.Reason("program-or-code", "", "It fits."));
    }
}
