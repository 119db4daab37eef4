package codrane.app;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.MultiFormatWriter;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;

/** Pictures of labels with a code, as a camera would take them. */
final class Labels {
    private Labels() {}

    static Path picture(Path folder, String text, BarcodeFormat format) throws IOException, WriterException {
        int height = format == BarcodeFormat.DATA_MATRIX ? 300 : 140;
        BitMatrix code =
                new MultiFormatWriter().encode(text, format, format == BarcodeFormat.DATA_MATRIX ? 300 : 700, height);
        BufferedImage image =
                new BufferedImage(code.getWidth() + 80, code.getHeight() + 80, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < image.getWidth(); x++)
            for (int y = 0; y < image.getHeight(); y++) {
                boolean inside = x >= 40 && y >= 40 && x - 40 < code.getWidth() && y - 40 < code.getHeight();
                image.setRGB(x, y, inside && code.get(x - 40, y - 40) ? 0x101010 : 0xF4F4F0);
            }
        Path file = folder.resolve(format + ".png");
        ImageIO.write(image, "png", file.toFile());
        return file;
    }
}
