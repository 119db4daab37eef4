package codrane.core.pack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What must be said of option codes. */
class CodeConditionTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "LFT1                          | LFT1      | true",
                "not LFT1                      | LFT1      | false",
                "LFT1 and MKT1                 | LFT1      | false",
                "LFT1 and MKT1                 | LFT1 MKT1 | true",
                "LFT1 or MKT1 and USE2         | LFT1      | true",
                "(LFT1 or MKT1) and USE2       | LFT1      | false",
                "not LFT1 and MKT1             | MKT1      | true",
                "not (LFT1 and MKT1)           | MKT1      | true",
                "LFT1 and not(MKT1 or MKT2)    | LFT1 MKT2 | false",
                "not not LFT1                  | LFT1      | true",
            })
    void holds_byNotThenAndThenOr(String text, String codes, boolean holds) {
        assertThat(CodeCondition.parse(text).holds(Set.of(codes.split(" ")))).isEqualTo(holds);
    }

    @Test
    void codes_areThoseItSpeaksOf_eachOnce() {
        assertThat(CodeCondition.parse("LFT1 and (MKT1 or not LFT1)").codes()).containsExactly("LFT1", "MKT1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "LFT1 and         | has its end where a code should stand",
                "and LFT1         | has and where a code should stand",
                "(LFT1            | lacks a closing bracket",
                "LFT1 MKT1        | has MKT1 where it should end",
                "LFT1)            | has ) where it should end",
                "LFT1 & MKT1      | is not understood from character 5",
                "lift             | has lift where a code should stand",
            })
    void parse_whatIsNone_saysWhere(String text, String why) {
        assertThatThrownBy(() -> CodeCondition.parse(text)).hasMessage(why);
    }

    @Test
    void parse_deepOrLong_isBounded() {
        assertThatThrownBy(() -> CodeCondition.parse("(".repeat(300) + "LFT1"))
                .hasMessage("is nested more than 20 deep");
        assertThatThrownBy(() -> CodeCondition.parse("not ".repeat(90) + "LFT1"))
                .hasMessage("is nested more than 20 deep");
        assertThatThrownBy(() -> CodeCondition.parse("A".repeat(401))).hasMessage("has more than 400 characters");
    }
}
