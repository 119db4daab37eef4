package codrane.app.photos;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A photo as somebody sent it: looked at before it is decoded, decoded no larger than it is wanted, one at a time, and
 * encoded anew without what it told besides. A run under way is not hurt by it.
 */
public final class Picture {
    private static final long MOST_PIXELS = 50_000_000;
    private static final int KEPT_SIDE = 1600;
    /** Enough for the bars of a label that fills the picture. */
    private static final int LABEL_SIDE = 2400;

    private static final Set<String> FORMATS = Set.of("jpeg", "png");
    private static final Semaphore DECODERS = new Semaphore(1, true);
    private static final int PATIENCE_SECONDS = 20;

    private Picture() {}

    /** @return empty when it is no JPEG or PNG, or one of more than 50 million points */
    static Optional<BufferedImage> read(byte[] upload) {
        return decode(upload, KEPT_SIDE);
    }

    /** As {@link #read}, in the detail that a code on a label needs. */
    public static Optional<BufferedImage> readLabel(byte[] upload) {
        return decode(upload, LABEL_SIDE);
    }

    private static Optional<BufferedImage> decode(byte[] upload, int side) {
        try {
            if (!DECODERS.tryAcquire(PATIENCE_SECONDS, TimeUnit.SECONDS)) return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(upload))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) return Optional.empty();
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return decode(reader, side);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            return Optional.empty(); // decoders fail in many ways at what only pretends to be a picture
        } finally {
            DECODERS.release();
        }
    }

    private static Optional<BufferedImage> decode(ImageReader reader, int side) throws IOException {
        boolean known = FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT));
        if (!known) return Optional.empty();
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) return Optional.empty();
        int every = Math.max(1, Math.max(width, height) / side); // every so manieth point of every so manieth line
        ImageReadParam sparse = reader.getDefaultReadParam();
        sparse.setSourceSubsampling(every, every, 0, 0);
        return Optional.ofNullable(reader.read(0, sparse));
    }

    /** As JPEG, its longer side at most 1600 points, nothing but the points kept. */
    static byte[] encode(BufferedImage image) {
        double scale = Math.min(1, (double) KEPT_SIDE / Math.max(image.getWidth(), image.getHeight()));
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
