package codrane.app.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.job.JobRun;
import codrane.core.job.WhatIf;
import codrane.core.job.WhatIf.Answer;
import codrane.core.plan.HoldPoint;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What a disturbance would mean, by where the run is. */
class WhatIfTest {
    private static Moment atRun() {
        return new Moment().scanned(Moment.USED).planned().prepared().kept(HoldPoint.WRITES_RELEASED);
    }

    private static String said(Moment moment, String about) {
        return WhatIf.now(moment.facts()).stream()
                .filter(a -> a.question().contains(about))
                .map(Answer::answer)
                .collect(Collectors.joining());
    }

    @Test
    void now_noPlan_asksNothing() {
        assertThat(WhatIf.now(new Moment().scanned(Moment.USED).facts())).isEmpty();
    }

    @Test
    void now_runFinished_asksNothing() {
        assertThat(WhatIf.now(atRun().ran(JobRun.State.FINISHED, "Done.").facts()))
                .isEmpty();
    }

    @Test
    void now_betweenEraseAndVerify_canNotStopAndIsRecoveredAsTheModuleAllows() {
        Moment moment = atRun().ran(JobRun.State.RUNNING, "");
        assertThat(said(moment, "to stop")).startsWith("Not between erase and verify");
        assertThat(said(moment, "cable")).contains("tail lift", "without valid software", "first octet");
        assertThat(said(moment, "supply")).contains("13.10 V", "12.60 V", "never ends it");
    }

    @Test
    void now_interruptedWhileErased_isNotToBeLeft() {
        Moment moment = atRun().ran(JobRun.State.INTERRUPTED, "Lost.");
        assertThat(said(moment, "called away")).contains("tail lift does nothing", "power on");
        assertThat(said(moment, "to stop")).contains("no valid software");
    }

    @Test
    void now_notBegun_nothingIsAtStake() {
        assertThat(said(atRun(), "called away")).startsWith("Safe.");
    }

    /** Else it would warn of the very thing that it asks for. */
    @Test
    void now_aTurnOfTheKeyIsAwaited_theKeyIsWhatIsAskedFor() {
        Moment moment = atRun().awaitsTurnOfKey();
        assertThat(said(moment, "key off")).startsWith("That is what is asked for");
        assertThat(said(moment, "cable")).startsWith("It is written.");
        assertThat(WhatIf.now(moment.facts()).stream().map(Answer::answer)).doesNotHaveDuplicates();
        assertThat(moment.next().title()).isEqualTo("Turn the key off and on as it is counted");
    }

    /** An answer that stands twice says nothing of its question. */
    @ParameterizedTest
    @EnumSource(value = JobRun.State.class, names = "FINISHED", mode = EnumSource.Mode.EXCLUDE)
    void now_everyState_answersEachQuestionInItsOwnWords(JobRun.State state) {
        List<Answer> answers = WhatIf.now(atRun().ran(state, "").facts());
        assertThat(answers).hasSize(7).allSatisfy(a -> {
            assertThat(a.question()).endsWith("?");
            assertThat(a.answer()).endsWith(".").doesNotContain("  ");
        });
        assertThat(answers.stream().map(Answer::answer)).doesNotHaveDuplicates();
    }
}
