package codrane.app.stage.intake;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.job.IntakeNotes;
import codrane.core.job.IntakeNotes.Identifier;
import codrane.core.job.IntakeNotes.OldModule;
import codrane.core.job.IntakeNotes.PartState;
import codrane.core.plan.Workplace.Worker;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed at arrival. */
class IntakeFormTest {
    private static final List<IntakeNotes.Hand> HANDS =
            List.of(new IntakeNotes.Hand("trainee", new Worker(true, false, false)));

    private static IntakeForm form(String mileage, String here, String all, String earlier) {
        return new IntakeForm(
                "PLUGGED_IN",
                earlier,
                " 0bk lr3a46 mn004127 ",
                "",
                mileage,
                "",
                here,
                all,
                "",
                "",
                Arrays.asList("Label number", "", "Order number"),
                Arrays.asList("A 17", " ", "4711"),
                List.of("door frame"));
    }

    private static IntakeNotes notes(IntakeForm form, IntakeNotes before) {
        return ((IntakeForm.Read.Notes) form.over(before, HANDS)).notes();
    }

    @Test
    void over_earlierNotes_keepsWhatTheFormDoesNotAsk() {
        IntakeNotes before = IntakeNotes.NONE.with(OldModule.STILL_IN);
        IntakeNotes notes = notes(form("84 210", "2", "3", ""), before);
        assertThat(notes.oldModule()).isEqualTo(before.oldModule());
        assertThat(notes.details().mileage()).contains(84_210);
        assertThat(notes.details().partState()).contains(PartState.PLUGGED_IN);
        assertThat(notes.details().papersVin()).isEqualTo("0BKLR3A46MN004127");
    }

    @Test
    void over_identifiers_keepsRowsWithAValueAndTheirSource() {
        assertThat(notes(form("", "", "", ""), IntakeNotes.NONE).details().identifiers())
                .containsExactly(
                        new Identifier("Label number", "A 17", "door frame"),
                        new Identifier("Order number", "4711", ""));
    }

    @ParameterizedTest
    @CsvSource({"many, 2, 3, mileage", "9999999, 2, 3, mileage", "1, four, 3, Keys", "1, 4, 3, Keys", "1, 2, 99, Keys"})
    void over_wrongNumbers_areRefusedInWords(String mileage, String here, String all, String about) {
        assertThat(((IntakeForm.Read.Wrong) form(mileage, here, all, "").over(IntakeNotes.NONE, HANDS)).sentence())
                .contains(about);
    }

    @Test
    void over_tooLongAText_isRefused() {
        assertThat(form("", "", "", "x".repeat(401)).over(IntakeNotes.NONE, HANDS))
                .isInstanceOf(IntakeForm.Read.Wrong.class);
    }

    @Test
    void over_hand_isOneOfThoseWhoWorkHere_andStaysWhenNobodyAsks() {
        assertThat(notes(named("trainee"), IntakeNotes.NONE).details().hand()).contains(HANDS.getFirst());
        IntakeNotes said = notes(named("trainee"), IntakeNotes.NONE);
        assertThat(notes(named(null), said).details().hand()).contains(HANDS.getFirst());
        assertThat(notes(named(""), said).details().hand()).isEmpty();
        assertThat(((IntakeForm.Read.Wrong) named("nobody").over(said, HANDS)).sentence())
                .isEqualTo("Nobody of the name nobody works here: see People.");
    }

    private static IntakeForm named(@Nullable String hand) {
        return new IntakeForm(null, null, null, null, null, null, null, null, null, hand, null, null, null);
    }
}
