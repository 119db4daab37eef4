package codrane.app.intake;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** A photo as somebody sent it: looked at before it is decoded, bounded, and encoded anew without what it told besides. */
final class Picture {
    private static final long MOST_PIXELS = 50_000_000;
    private static final int LONGEST_SIDE = 1600;

    private Picture() {}

    /** @return empty when it is no picture, or one of more than 50 million points */
    static Optional<BufferedImage> read(byte[] upload) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(upload))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) return Optional.empty();
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                return pixels > MOST_PIXELS ? Optional.empty() : Optional.ofNullable(reader.read(0));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return Optional.empty(); // decoders fail in many ways at what only pretends to be a picture
        }
    }

    /** As JPEG, its longer side at most 1600 points, nothing but the points kept. */
    static byte[] encode(BufferedImage image) {
        double scale = Math.min(1, (double) LONGEST_SIDE / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage copy = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = copy.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        pen.drawImage(image, 0, 0, width, height, Color.WHITE, null);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(copy, "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException("memory does not fail", e);
        }
        return out.toByteArray();
    }
}
