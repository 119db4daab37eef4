package codrane.core.triage;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.fault.FaultLedger;
import codrane.core.fault.FaultLedger.Outcome;
import codrane.core.pack.Pack.Cause;
import codrane.core.triage.FaultTriage.Situation;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Is this fault mine, and what is done about it: each test names the case. */
class FaultTriageTest {
    private static final Fault STORED = new Fault("engine", FaultCode.parse("P1A93-00"), 0x08);
    private static final Fault PRESENT = new Fault("engine", FaultCode.parse("P1A93-00"), 0x09);

    private static String next(Fault fault, Optional<Cause> cause, Optional<Outcome> outcome, boolean locked) {
        return FaultTriage.of(fault, new Situation(cause, Optional.empty(), outcome, locked))
                .next();
    }

    @Test
    void bits_ofAStatus_areNamedLowestFirst() {
        assertThat(new Fault("engine", FaultCode.parse("P1A93-00"), 0x89).bits())
                .containsExactly("test failed", "confirmed", "lamp asked for");
    }

    @Test
    void of_missingCoding_isNoDiagnosis() {
        assertThat(next(PRESENT, Optional.of(Cause.CODING_MISSING), Optional.empty(), false))
                .isEqualTo("No diagnosis until then.");
    }

    @Test
    void of_storedBehindALockedGateway_isUnlockedFirst() {
        assertThat(next(STORED, Optional.of(Cause.REAL), Optional.empty(), true))
                .contains("unlock the gateway");
        assertThat(next(STORED, Optional.of(Cause.REAL), Optional.empty(), false))
                .contains("clear it after the work");
    }

    @Test
    void of_presentAndReal_isMendedBeforeItIsCleared() {
        assertThat(next(PRESENT, Optional.of(Cause.REAL), Optional.empty(), false))
                .contains("Mend its cause first");
    }

    @Test
    void of_unknownToThePack_isDiagnosed() {
        FaultTriage triage =
                FaultTriage.of(STORED, new Situation(Optional.empty(), Optional.empty(), Optional.empty(), false));
        assertThat(triage.cause()).contains("unknown");
        assertThat(triage.next()).contains("Diagnose it");
    }

    @Test
    void of_physicalReasonNoted_isLookedAtAgain() {
        FaultTriage triage = FaultTriage.of(
                PRESENT,
                new Situation(
                        Optional.of(Cause.REAL), Optional.of("sensor covered by a load"), Optional.empty(), false));
        assertThat(triage.cause()).isEqualTo("physical: sensor covered by a load");
        assertThat(triage.next()).contains("look again at the end");
    }

    @Test
    void of_newAfterTheWork_isExpectedOnlyFromTheProgrammingItself() {
        assertThat(next(PRESENT, Optional.of(Cause.PROGRAMMING_TRANSIENT), Optional.of(Outcome.NEW), false))
                .contains("Expected after the work");
        assertThat(next(PRESENT, Optional.of(Cause.REAL), Optional.of(Outcome.NEW), false))
                .contains("find out what the work did");
    }

    @Test
    void ledger_afterAClear_tellsWhatCameBackFromWhatWasNotCleared() {
        Fault again = new Fault("engine", FaultCode.parse("P1A93-00"), 0x2F);
        assertThat(outcome(PRESENT, again, true)).isEqualTo(Outcome.CAME_BACK);
        assertThat(outcome(STORED, STORED, true)).isEqualTo(Outcome.STAYS); // a "done" that was none
        assertThat(outcome(PRESENT, PRESENT, false)).isEqualTo(Outcome.STAYS);
    }

    private static Outcome outcome(Fault before, Fault after, boolean cleared) {
        return FaultLedger.of(List.of(before), List.of(after), cleared)
                .entries()
                .getFirst()
                .outcome();
    }
}
