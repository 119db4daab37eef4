package codrane.app.job;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.job.ArrivalCautions;
import codrane.core.plan.JobKind;
import org.junit.jupiter.api.Test;

class ArrivalCautionsTest {
    @Test
    void of_aJobAboutOneModule_saysWhatHurtsThereAndNothingElse() {
        assertThat(ArrivalCautions.of(new Moment().facts()))
                .singleElement()
                .asString()
                .startsWith("Tail lift: it moves by itself");
    }

    @Test
    void of_aJobThatTouchesNoModule_saysNothingOfOne() {
        Moment moment = new Moment();
        moment.kind = JobKind.CLEAR_FAULTS;
        assertThat(ArrivalCautions.of(moment.facts())).isEmpty();
    }
}
