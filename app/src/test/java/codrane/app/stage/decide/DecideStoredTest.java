package codrane.app.stage.decide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.app.notes.Note;
import codrane.core.job.DecideNotes;
import java.time.Instant;
import org.junit.jupiter.api.Test;

/** What was said for the plan, as it was stored before and is now. */
class DecideStoredTest {
    private static DecideNotes read(int version, String newerRight) {
        String content = "{'wording':'program','fitted':'','offered':'','codesOut':[],'codesIn':[]," + "'settled':[]"
                + newerRight + "}";
        Note note = new Note("decide", "", version, content.replace('\'', '"'), Instant.EPOCH, "tech");
        return DecideStored.KIND.read(note).content().notes();
    }

    @Test
    void read_noteOfTheFirstForm_keepsAllButWhichSoftwareWasMeant() {
        assertThat(read(1, ",'newerRight':true").since().newerRight()).isEmpty();
        assertThat(read(1, ",'newerRight':true").wording()).isEqualTo("program");
        assertThat(read(1, "").since().newerRight()).isEmpty();
    }

    @Test
    void read_noteOfNow_keepsTheVersionThatWasSaidToBeRight() {
        assertThat(read(2, ",'newerRight':'9.9'").since().newerRight()).isEqualTo("9.9");
    }

    @Test
    void read_noteOfOneKindOfEquipment_keepsIt() {
        assertThat(read(2, ",'feature':'counting'").features()).containsExactly("counting");
        assertThat(read(2, ",'feature':''").features()).isEmpty();
        assertThat(read(3, ",'features':['counting','mirrors-dip']").features())
                .containsExactly("counting", "mirrors-dip");
    }

    @Test
    void read_noteOfALaterProgram_isRefused() {
        assertThrows(IllegalStateException.class, () -> read(4, ""));
    }
}
