package codrane.standin;

import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import codrane.standin.vehicle.Setup;
import java.util.Map;

/** The invented vehicles of the demo world. */
public final class Conditions {
    public static final Vin LORNE = new Vin("0BKLR3A46MN004127");
    public static final Vin LORNE_DONOR = new Vin("0BKLR3A48MN004131");
    public static final Vin WISP = new Vin("0TVWP2E67TN002240");

    private Conditions() {}

    /** The first job: a patient transport whose tail-lift controller came out of the second van. */
    public static Setup usedTailLift(Pack lorne) {
        return Setup.healthy(lorne, LORNE)
                .withUsedPart(
                        "tail-lift", LORNE_DONOR, "3.08", Map.of("platform", "steel", "beeper", "loud"), "C1027-16")
                .withFault("brakes", "C1210-62");
    }

    /** A body module out of another van, whose software was lost in an interrupted programming. */
    public static Setup usedBody(Pack lorne) {
        return Setup.healthy(lorne, LORNE).withUsedPart("body", LORNE_DONOR, "3.08", Map.of(), "B1402-54");
    }

    /** The vehicle that a pack stands for when nothing else is said. */
    public static Setup standard(Pack pack) {
        return switch (pack.id()) {
            case "brennick-lorne" -> usedTailLift(pack);
            case "tolvane-wisp" -> Setup.healthy(pack, WISP);
            default -> Setup.healthy(pack, anyVin(pack));
        };
    }

    /** A VIN of the pack's maker and first model, with its check digit. */
    private static Vin anyVin(Pack pack) {
        String model =
                pack.model().models().keySet().stream().sorted().findFirst().orElse("00");
        StringBuilder text = new StringBuilder(pack.wmi() + "0".repeat(14));
        text.replace(pack.model().from() - 1, pack.model().to(), model);
        text.setCharAt(9, 'N'); // model year 2022 in the thirty-year cycle
        text.replace(11, 17, "000001");
        Vin vin = new Vin(text.toString());
        text.setCharAt(8, pack.vinRule().checkDigit() ? vin.expectedCheckDigit() : '0');
        return new Vin(text.toString());
    }
}
