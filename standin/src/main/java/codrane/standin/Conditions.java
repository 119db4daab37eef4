package codrane.standin;

import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import java.util.Map;

/** The invented vehicles of the demo world. */
public final class Conditions {
    public static final Vin LORNE = new Vin("0BKLR3A46MN004127");
    public static final Vin LORNE_DONOR = new Vin("0BKLR3A48MN004131");
    public static final Vin WISP = new Vin("0TVWP2E67TN002240");
    public static final Vin ALMERY = new Vin("0BKAM7D26RN001906");
    public static final Vin CHORUS = new Vin("0TVCH5E12SN000318");
    public static final Vin GANNET = new Vin("0AWGN7K8XNN000052");
    public static final Vin DUNLIN = new Vin("0PGDN4B2ZHC013377");

    public static final Vin LORNE_BUS = new Vin("0BKLR3A4XNN008893");
    public static final Vin ALMERY_KNOCKED = new Vin("0BKAM7D2XRN002217");
    public static final Vin CHORUS_SECOND = new Vin("0TVCH5E12SN000402");
    public static final Vin GANNET_OLDER = new Vin("0AWGN7K88KN000417");
    public static final Vin DUNLIN_HEAVY = new Vin("0PGDN4B2ZHC013402");

    /** Position 10 of a VIN by model year, from 1980. */
    private static final String YEARS = "ABCDEFGHJKLMNPRSTVWXY123456789";

    private Conditions() {}

    /** The first job: a patient transport whose tail-lift controller came out of the second van. */
    public static Setup usedTailLift(Pack lorne) {
        return Setup.healthy(lorne, LORNE)
                .with(
                        "tail-lift",
                        Part.used(LORNE_DONOR, "3.08")
                                .withValues(Map.of("platform", "steel", "beeper", "loud"))
                                .withFaults("C1027-16"))
                .withFault("brakes", "C1210-62");
    }

    /** A body module out of another van, whose software was lost in an interrupted programming. */
    public static Setup usedBody(Pack lorne) {
        return Setup.healthy(lorne, LORNE)
                .with("body", Part.used(LORNE_DONOR, "3.08").withFaults("B1402-54"));
    }

    /** A blank spreader, as it came out of its box. */
    public static Setup blankSpreader(Pack gannet) {
        return Setup.healthy(gannet, GANNET).with("spreader", Part.blank());
    }

    /** A body module burnt by reversed jump leads. */
    public static Setup burntBody(Pack dunlin) {
        return Setup.healthy(dunlin, DUNLIN)
                .with("body", Setup.healthy(dunlin, DUNLIN).of("body").in(Part.Health.BURNT));
    }

    /** A minibus whose body software an earlier owner changed, and whose door module came out of another van. */
    public static Setup changedBus(Pack lorne) {
        String body = lorne.module("body").software().current();
        String doors = lorne.module("doors").software().current();
        return Setup.healthy(lorne, LORNE_BUS)
                .with("body", Part.fitted(LORNE_BUS, body).withAlteredSoftware())
                .with("doors", Part.used(LORNE_DONOR, doors));
    }

    /** A camper with a new front radar after a parking knock. */
    public static Setup newRadar(Pack almery) {
        String software = almery.module("front-radar").software().current();
        return Setup.healthy(almery, ALMERY_KNOCKED).with("front-radar", Part.unwritten(software));
    }

    /** A taxi with a blank body module in place of the burnt one. */
    public static Setup blankBody(Pack dunlin) {
        String software = dunlin.module("body").software().current();
        return Setup.healthy(dunlin, DUNLIN).with("body", Part.unwritten(software));
    }

    /** A taxi with a new steering module that holds boot software only. */
    public static Setup newSteering(Pack dunlin) {
        return Setup.healthy(dunlin, DUNLIN_HEAVY).withBlankPart("steering");
    }

    /** A bus with a ramp that was never coded, and a second-hand climate module. */
    public static Setup newRamp(Pack chorus) {
        return Setup.healthy(chorus, CHORUS)
                .with("ramp", Part.unwritten(chorus.module("ramp").software().current()))
                .with(
                        "climate",
                        Part.used(
                                CHORUS_SECOND,
                                chorus.module("climate").software().current()));
    }

    /** A gritter with a new spreader module, and engine software of the day before yesterday. */
    public static Setup newSpreader(Pack gannet) {
        return Setup.healthy(gannet, GANNET_OLDER)
                .with("spreader", Part.blank())
                .with("engine", Part.fitted(GANNET_OLDER, "9.0"));
    }

    /** The vehicle that a pack stands for when nothing else is said. */
    public static Setup standard(Pack pack) {
        return switch (pack.id()) {
            case "brennick-lorne" -> usedTailLift(pack);
            case "brennick-almery" -> lockedAlmery(pack);
            case "tolvane-wisp" -> Setup.healthy(pack, WISP);
            case "tolvane-chorus" -> Setup.healthy(pack, CHORUS);
            case "ardwyn-gannet" -> blankSpreader(pack);
            case "peregil-dunlin" -> Setup.healthy(pack, DUNLIN);
            default -> Setup.healthy(pack, anyVin(pack, pack.vinRule().lastYear()));
        };
    }

    /** A camper whose tail-lift fault stays until its gateway is opened. */
    public static Setup lockedAlmery(Pack almery) {
        return Setup.healthy(almery, ALMERY).withFault("tail-lift", "C1029-08").withFault("engine", "P1A93-00");
    }

    /** A VIN of the pack's first model from its last year. */
    public static Vin gated(Pack pack) {
        return anyVin(pack, pack.vinRule().lastYear());
    }

    /** One of the fleet that never was a taxi. */
    public static Setup privateDunlin(Pack dunlin) {
        Setup fleet = ofFleet(dunlin, 2);
        return fleet.with(
                        "body",
                        fleet.of("body")
                                .withValues(
                                        Map.of("use", "private", "roof.sign", "no", "meter", "no", "lock.walk", "yes")))
                .with("steering", fleet.of("steering").withValues(Map.of("assist", "normal")));
    }

    /** A vehicle of the pack's first model and year, one of many. */
    public static Setup ofFleet(Pack pack, int number) {
        return Setup.healthy(pack, vin(pack, pack.vinRule().firstYear(), 500_000 + number));
    }

    /** A VIN of the pack's maker and first model, with its check digit. */
    private static Vin anyVin(Pack pack, int modelYear) {
        return vin(pack, modelYear, 1);
    }

    private static Vin vin(Pack pack, int modelYear, int number) {
        String model =
                pack.model().models().keySet().stream().sorted().findFirst().orElse("00");
        StringBuilder text = new StringBuilder(pack.wmi() + "0".repeat(14));
        text.replace(pack.model().from() - 1, pack.model().to(), model);
        text.setCharAt(9, YEARS.charAt((modelYear - 1980) % YEARS.length()));
        text.replace(11, 17, "%06d".formatted(number));
        Vin vin = new Vin(text.toString());
        text.setCharAt(8, pack.vinRule().checkDigit() ? vin.expectedCheckDigit() : '0');
        return new Vin(text.toString());
    }
}
