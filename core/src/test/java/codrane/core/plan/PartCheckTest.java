package codrane.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.Packs;
import codrane.core.pack.VinLock;
import codrane.core.part.PartNumber.Fit;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import codrane.core.vin.Vin;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartCheckTest {
    private static final Pack LORNE = Packs.lorne();
    private static final Vin VIN = Situations.VIN;

    private static PartCheck check(String module, String offered, Optional<ModuleAnswer> answer) {
        PackModule part = LORNE.module(module);
        return PartCheck.of(LORNE, part, part.parts().fitted(), offered, Optional.of(VIN), answer);
    }

    @Test
    void of_acceptedSuffixOfTheRightYear_fits() {
        PartCheck check = check("tail-lift", "BK-67220-B2", Optional.empty());
        assertThat(check.fits()).isTrue();
        assertThat(check.verdict().orElseThrow().fit()).isEqualTo(Fit.ACCEPTED_SUFFIX);
        assertThat(check.year()).isEqualTo("Made for model years 2018 to 2026. The vehicle is of 2021.");
        assertThat(check.contains()).first().asString().startsWith("Not read yet");
    }

    @Test
    void of_anotherYear_doesNotFitThoughTheNumberIsRight() {
        Pack later = Packs.load("brennick-lorne");
        PackModule part = later.module("tail-lift");
        assertThat(part.parts().madeFor(2017)).isFalse();
        assertThat(part.parts().madeFor(2018)).isTrue();
        assertThat(later.module("body").parts().madeFor(1990)).isTrue(); // the pack names none
    }

    @ParameterizedTest
    @CsvSource({
        "BK-67220-B3, BK-67220-B2, ACCEPTED_SUFFIX, true", // label and part: the worse counts
        "BK-67220-B2, BK-67220-B3, ACCEPTED_SUFFIX, true",
        "BK-67220-B3, BK-46002-B3, DOES_NOT_FIT, true",
        "BK-67220-D4, BK-67220-B3, ASK_THE_PARTS_DESK, true",
        "bk67220b3, BK-67220-B3, SAME, false",
        "'', BK-46002-B3, DOES_NOT_FIT, false",
        "BK-67220-B3, '', SAME, false"
    })
    void of_labelAgainstWhatThePartTells_takesTheWorseAndSaysTheDifference(
            String label, String told, Fit fit, boolean said) {
        VehicleFacts facts = VehicleFacts.of(JobKind.REPLACE_MODULE, LORNE, VIN, Map.of(), new Gateway.None())
                .with(PartFacts.of("tail-lift")
                        .withNumbers("BK-67220-B3", label)
                        .withTold(told));
        var verdict = PartCheck.of(facts).verdict().orElseThrow();
        assertThat(verdict.fit()).isEqualTo(fit);
        assertThat(verdict.reason().contains("the part itself tells")).isEqualTo(said);
    }

    @Test
    void of_predecessorOrUnknownSuffix_doesNotFitByItself() {
        assertThat(check("tail-lift", "BK-67220-A9", Optional.empty()).fits()).isFalse();
        assertThat(check("tail-lift", "BK-67220-Q1", Optional.empty()).fits()).isFalse();
        assertThat(check("tail-lift", "", Optional.empty()).verdict()).isEmpty();
    }

    @Test
    void contains_donorsPart_namesWhatItStillHolds() {
        ModuleAnswer donor = new ModuleAnswer(
                Presence.ANSWERS,
                Optional.of("0BKLR3A48MN004131"),
                "2.07",
                CodingState.FOR_ANOTHER,
                List.of(new Fault("gearbox", FaultCode.parse("P1634-00"), 9)));
        assertThat(check("gearbox", "BK-41377-B3", Optional.of(donor)).contains())
                .containsExactly(
                        "VIN 0BKLR3A48MN004131, of another vehicle.",
                        "Software 2.07.",
                        "Coding: for another VIN.",
                        "Its donor's immobiliser secret.",
                        "1 fault stored.");
    }

    @Test
    void contains_blankPart_holdsNothing() {
        ModuleAnswer blank = new ModuleAnswer(Presence.BOOT_ONLY, Optional.of(""), "", CodingState.BLANK, List.of());
        assertThat(check("tail-lift", "BK-67220-B3", Optional.of(blank)).contains())
                .containsExactly("No VIN.", "Boot software only: no application.", "Coding: blank.");
    }

    @Test
    void ifWrong_saysWhatIsLostForGood() {
        assertThat(check("restraints", "BK-45018-B3", Optional.empty()).lock()).isEqualTo(VinLock.BOUND);
        assertThat(check("restraints", "BK-45018-B3", Optional.empty()).ifWrong())
                .anyMatch(s -> s.contains("stays for good"))
                .anyMatch(s -> s.contains("not driven until it is proved"));
        assertThat(check("key-reader", "BK-48120-B3", Optional.empty()).ifWrong())
                .anyMatch(s -> s.contains("until a specialist cleans it"))
                .anyMatch(s -> s.contains("does not start"));
        assertThat(check("tail-lift", "BK-67220-B3", Optional.empty()).ifWrong())
                .anyMatch(s -> s.contains("the part can go back"));
    }
}
