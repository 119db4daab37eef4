package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.calibration.VinsInData.Found;
import codrane.core.octets.Source;
import codrane.core.vin.Vin;
import codrane.core.vin.VinRule;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class VinsInDataTest {
    private static final Vin LORNE = new Vin("0BKLR3A46MN004127");
    private static final Vin DONOR = new Vin("0BKLR3A48MN004131");
    private static final Vin DUNLIN = new Vin("0PGDN4B2ZHC013377");
    private static final VinRule CHECKED = new VinRule(true, 2000, 2029);

    private final Random random = new Random(12);

    private byte[] noise(int length) {
        byte[] octets = new byte[length];
        random.nextBytes(octets);
        return octets;
    }

    private static void put(byte[] octets, int at, String text) {
        octets[at - 1] = 0;
        System.arraycopy(text.getBytes(StandardCharsets.US_ASCII), 0, octets, at, text.length());
        octets[at + text.length()] = (byte) 0xFF;
    }

    private static List<Found> found(long start, byte[] octets) {
        MemoryImage image = new MemoryImage();
        image.put(start, Source.of(octets));
        return VinsInData.of(image, "0BK", CHECKED);
    }

    @Test
    void vin_keptTwice_isFoundAtItsAddresses_beforeTheDonorsKeptOnce() {
        byte[] octets = noise(3 << 20);
        put(octets, 0x1F0, LORNE.text());
        put(octets, (1 << 20) - 9, LORNE.text()); // over the border of what is read at once
        put(octets, 0x20_0000, DONOR.text());
        assertThat(found(0x8000, octets))
                .containsExactly(
                        new Found(LORNE, List.of(0x81F0L, 0x8000L + (1 << 20) - 9), false),
                        new Found(DONOR, List.of(0x20_8000L), false));
    }

    @Test
    void vin_atTheVeryEnds_isFound() {
        assertThat(found(0, LORNE.text().getBytes(StandardCharsets.US_ASCII)))
                .containsExactly(new Found(LORNE, List.of(0L), false));
    }

    @Test
    void vin_backwards_isTurned() {
        byte[] octets = noise(4096);
        put(octets, 0x40, new StringBuilder(LORNE.text()).reverse().toString());
        assertThat(found(0, octets)).containsExactly(new Found(LORNE, List.of(0x40L), true));
    }

    @Test
    void vin_besideAPartNumber_isFoundOfTheMakerOnly() {
        byte[] octets = noise(4096);
        put(octets, 0x40, "BK67220" + LORNE.text() + "B3");
        put(octets, 0x80, "A1" + DUNLIN.text());
        assertThat(found(0, octets)).extracting(Found::vin).containsExactly(LORNE);
    }

    @Test
    void whatIsNoVin_isNotTakenForOne() {
        byte[] octets = noise(1 << 20);
        put(octets, 0x40, "00000000000000000"); // its check digit fits
        put(octets, 0x80, "0BKLR3A47MN004127"); // its check digit does not
        put(octets, 0xC0, "ABCDEFGH".repeat(20));
        put(octets, 0x200, new StringBuilder("0TVWP2E67TN002240").reverse().toString()); // another maker's
        assertThat(found(0, octets)).isEmpty();
    }

    @Test
    void vin_ofAMakerWithoutCheckDigits_isKnownByItsMaker() {
        MemoryImage image = new MemoryImage();
        image.put(0, Source.of(DUNLIN.text().getBytes(StandardCharsets.US_ASCII)));
        assertThat(VinsInData.of(image, "0PG", CHECKED.withCheckDigit(false)))
                .extracting(Found::vin)
                .containsExactly(DUNLIN);
        assertThat(VinsInData.of(image, "0BK", CHECKED)).isEmpty();
    }
}
