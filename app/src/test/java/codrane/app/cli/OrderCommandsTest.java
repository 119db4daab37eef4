package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** {@code order derive}, {@code order change} and {@code features solve}. */
class OrderCommandsTest {
    private static final String BUILT = "MKT1,RMP1,WSH1,WCH2";

    private final Commanded command = new Commanded();

    private int change(String... changes) {
        List<String> args = new ArrayList<>(List.of("order", "change", "tolvane-chorus", BUILT, "--json"));
        args.addAll(List.of(changes));
        return command.run(args);
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(item -> texts.add(item.asString()));
        return texts;
    }

    private static List<String> words(JsonNode changes) {
        List<String> words = new ArrayList<>();
        changes.forEach(c ->
                words.add(c.path("module").asString() + "/" + c.path("field").asString() + " "
                        + c.path("from").asString() + " > " + c.path("to").asString()));
        return words;
    }

    @Test
    void derive_givesTheValuesOfEachModule() {
        assertThat(command.run("order", "derive", "tolvane-chorus", "MKT2 CNT1", "--json"))
                .isZero();
        List<String> values = new ArrayList<>();
        command.json()
                .path("modules")
                .forEach(m -> m.path("settings")
                        .forEach(s -> values.add(m.path("module").asString() + " "
                                + s.path("field").asString() + "="
                                + s.path("value").asString())));
        assertThat(values)
                .containsExactly(
                        "restraints places=1",
                        "body market=mainland",
                        "body ramp=none",
                        "body counting=yes",
                        "body wash=no",
                        "instruments warn.ramp=no",
                        "doors ramp=none",
                        "doors counting=yes",
                        "ramp kind=none");
        assertThat(texts(command.json().path("emptyFamilies"))).containsExactly("ramp");
    }

    @Test
    void change_codesInAndOut_namesIntendedAndSideEffectsApart() {
        assertThat(change("+CNT1", "-WSH1", "--held", "body-main/market=mainland"))
                .isZero();
        JsonNode told = command.json();
        assertThat(texts(told.path("codes"))).containsExactly("MKT1", "RMP1", "WCH2", "CNT1");
        assertThat(texts(told.path("modules"))).containsExactly("body", "doors");
        assertThat(words(told.path("intended")))
                .containsExactlyInAnyOrder("body/counting no > yes", "doors/counting no > yes", "body/wash yes > no");
        assertThat(words(told.path("sideEffects"))).containsExactly("body/market mainland > island");
    }

    @Test
    void change_outAndInAgain_isNothing() {
        assertThat(change("-WSH1", "+WSH1", "--held", "body-main/market=mainland"))
                .isZero();
        assertThat(command.json().path("modules")).isEmpty();
        assertThat(command.json().path("intended")).isEmpty();
        assertThat(command.json().path("sideEffects")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "+RMP2           | RMP1 and RMP2 exclude each other",
                "-CNT1           | CNT1 is not in the order",
                "+WSH1           | WSH1 is in the order already",
                "+ABC9           | is no option code of this pack",
                "WSH1            | expected +CODE or -CODE",
                "--nothing       | is no option code",
                "+CNT1 --held=x  | expected BLOCK/FIELD=VALUE",
            })
    void change_badInput_isSaidAndNothingTold(String changes, String why) {
        assertThat(change(changes.split(" "))).isEqualTo(2);
        assertThat(command.out()).isEmpty();
        assertThat(command.err()).contains(why);
    }

    @ParameterizedTest
    @CsvSource({"tolvane-wisp, MKT1", "tolvane-chorus, 'MKT1,MKT2'", "tolvane-chorus, 'MKT1,MKT1'", "nothing, MKT1"})
    void derive_badInput_isUsage(String pack, String codes) {
        assertThat(command.run("order", "derive", pack, codes)).isEqualTo(2);
    }

    @Test
    void solve_conflict_isTheLeastThatDoesNotGoTogether() {
        assertThat(command.run("features", "solve", "tolvane-chorus", "wash", "counting", "--json"))
                .isEqualTo(1);
        assertThat(texts(command.json().path("conflict"))).containsExactly("counting", "wash");
        assertThat(command.json().path("reason").asString())
                .isEqualTo("Passenger counting does not go with Wash mode.");
        assertThat(command.run("features", "solve", "tolvane-chorus", "counting", "--json"))
                .isZero();
        assertThat(command.json().path("assignments")).hasSize(2);
        assertThat(texts(command.json().path("after"))).containsExactly("sleep", "relearn-doors");
        assertThat(command.run("features", "solve", "tolvane-chorus", "sails")).isEqualTo(2);
    }
}
