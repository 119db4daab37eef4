package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.ServiceWording.Meaning;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ServiceWordingTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Program the module after fitting. | PROGRAM",
                "The control unit must be reprogrammed. | PROGRAM",
                "Configure the new module. | CONFIGURE",
                "Coding is required. | CONFIGURE",
                "Program and configure the module, then initialise the windows. | PROGRAM CONFIGURE INITIALISE",
                "No programming is needed; configure it. | CONFIGURE",
                "Programming is not required. Carry out coding. | CONFIGURE",
                "Do not program this module. | ''",
                "Do not program it, configure it. | CONFIGURE",
                "The module needs neither, nor coding. | ''",
                "Read the fault codes first. | ''",
                "The identity set is incomplete. | CONFIGURE",
                "Learn the window end stops. | INITIALISE",
                "Calibrate the camera with targets. | INITIALISE",
                "Replace the bumper. | ''",
                "'' | ''",
                "The programme on the radio is loud. | ''",
                "Program the keys to the vehicle. | ''",
                "All remote controls must be programmed. | ''",
                "Learn the keys anew. | ''",
                "Program the new module to the vehicle. | CONFIGURE",
                "Program it only if the software is older than 3.10. | ''",
                "If it was replaced, reprogram it. | ''",
                "Enter the access code. | ''"
            })
    void of_sentence_meansWhatItSays(String text, String meanings) {
        Set<Meaning> expected = Arrays.stream(meanings.split(" "))
                .filter(m -> !m.isBlank())
                .map(Meaning::valueOf)
                .collect(Collectors.toSet());
        assertThat(ServiceWording.of(text).evidence().keySet()).isEqualTo(expected);
    }

    @Test
    void onCondition_andDenied_areKeptApart() {
        ServiceWording wording =
                ServiceWording.of("Program it only if older. Do not code it. Do not program the others.");
        assertThat(wording.onCondition()).contains("Program it only if older.");
        assertThat(wording.denied()).contains("Do not program the others.");
        assertThat(wording.evidence()).isEmpty();
    }

    @Test
    void evidence_isTheSentenceInWhichItStands() {
        ServiceWording wording =
                ServiceWording.of("Fit the module.\nConfigure it with the service tool. Close the cover.");
        assertThat(wording.evidence(Meaning.CONFIGURE)).contains("Configure it with the service tool.");
        assertThat(wording.evidence(Meaning.PROGRAM)).isEmpty();
    }

    @Test
    void of_makersOwnWords_areUnderstood() {
        Map<String, List<String>> own = Map.of("program", List.of("write the data stand"));
        assertThat(ServiceWording.of("Write the data stand.", own).evidence(Meaning.PROGRAM))
                .isPresent();
        assertThat(ServiceWording.of("Write the data stand.").evidence(Meaning.PROGRAM))
                .isEmpty();
    }

    @Test
    void of_anything_neverThrows() {
        Random random = new Random(4);
        for (int round = 0; round < 5000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(60); i > 0; i--) text.append((char) (10 + random.nextInt(120)));
            assertThat(ServiceWording.of(text.toString())).isNotNull();
        }
    }
}
