package codrane.app.photos;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Photos as somebody sends them. */
class PictureTest {
    private static byte[] jpeg(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        return out.toByteArray();
    }

    /** The same picture with a segment in which cameras write place, time and device. */
    private static byte[] withMetadata(byte[] jpeg, String text) {
        byte[] words = ("Exif\0\0" + text).getBytes(StandardCharsets.ISO_8859_1);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(0xFF);
        out.write(0xE1);
        out.write((words.length + 2) >> 8);
        out.write((words.length + 2) & 0xFF);
        out.write(words, 0, words.length);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    @Test
    void encode_photoWithPlaceAndDevice_keepsNeither() throws IOException {
        byte[] upload = withMetadata(jpeg(40, 30), "somewhere on the island");
        assertThat(new String(upload, StandardCharsets.ISO_8859_1)).contains("somewhere");
        byte[] kept = Picture.encode(Picture.read(upload).orElseThrow());
        assertThat(new String(kept, StandardCharsets.ISO_8859_1))
                .doesNotContain("somewhere")
                .doesNotContain("Exif");
    }

    @Test
    void encode_largePhoto_isMadeSmaller() throws IOException {
        byte[] kept = Picture.encode(Picture.read(jpeg(4000, 1000)).orElseThrow());
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(kept));
        assertThat(image.getWidth()).isEqualTo(1600);
        assertThat(image.getHeight()).isEqualTo(400);
    }

    @Test
    void read_claimOfTooManyPoints_isRefusedBeforeItIsDecoded() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(10, 10, BufferedImage.TYPE_INT_RGB), "png", out);
        byte[] bomb = out.toByteArray();
        bomb[18] = bomb[19] = bomb[22] = bomb[23] = (byte) 0x7F; // 32,639 by 32,639 points in 100 octets
        assertThat(Picture.read(bomb)).isEmpty();
    }

    @Test
    void read_otherFormats_areRefused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(10, 10, BufferedImage.TYPE_INT_RGB), "bmp", out);
        assertThat(Picture.read(out.toByteArray())).isEmpty();
    }

    /** A small file may hold 49 million points of eight octets: 392 MB if it were decoded whole. */
    @Test
    void read_manyPointsOfSixteenBits_takesLittleMemory() throws IOException {
        byte[] png = Pngs.sixteenBits(7000, 7000);
        assertThat(png.length).isLessThan(2_000_000);
        long before = allocated();
        BufferedImage image = Picture.read(png).orElseThrow();
        assertThat(Math.max(image.getWidth(), image.getHeight())).isBetween(1600, 3200);
        long held = (long) image.getWidth()
                * image.getHeight()
                * image.getColorModel().getPixelSize()
                / 8;
        assertThat(held).isLessThan(40_000_000);
        assertThat(allocated() - before).isLessThan(200_000_000);
    }

    private static long allocated() {
        return ((com.sun.management.ThreadMXBean) java.lang.management.ManagementFactory.getThreadMXBean())
                .getCurrentThreadAllocatedBytes();
    }

    @Test
    void read_rubbish_isNoPictureAndNeverThrows() throws IOException {
        Random random = new Random(3);
        byte[] good = jpeg(30, 30);
        for (int round = 0; round < 400; round++) {
            byte[] damaged = good.clone();
            for (int i = 0; i < 8; i++) damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            assertThat(Picture.read(damaged)).isNotNull();
            byte[] rubbish = new byte[random.nextInt(300)];
            random.nextBytes(rubbish);
            assertThat(Picture.read(rubbish)).isEmpty();
        }
    }
}
