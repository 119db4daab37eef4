package codrane.app.stage.intake;

import codrane.app.photos.Picture;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.MultiFormatReader;
import com.google.zxing.NotFoundException;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.Result;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.GenericMultipleBarcodeReader;
import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Reads bar codes and data matrices out of a photo. */
@Component
public class LabelReader {
    private static final int LONGEST = 64;

    /** What a photo of a label gave. */
    public sealed interface Seen {
        /** @param texts at least one, as printed in the code */
        record Texts(List<String> texts) implements Seen {}

        record Nothing(String sentence) implements Seen {}
    }

    public Seen read(byte[] upload) {
        Optional<BufferedImage> image = Picture.readLabel(upload);
        if (image.isEmpty()) return new Seen.Nothing("This is no picture that can be read.");
        int width = image.get().getWidth();
        int height = image.get().getHeight();
        int[] points = image.get().getRGB(0, 0, width, height, null, 0, width);
        BinaryBitmap bitmap = new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(width, height, points)));
        try {
            Result[] results = new GenericMultipleBarcodeReader(new MultiFormatReader())
                    .decodeMultiple(bitmap, Map.of(DecodeHintType.TRY_HARDER, true));
            List<String> texts = Arrays.stream(results)
                    .map(r -> r.getText().strip())
                    .filter(t -> t.length() <= LONGEST && t.chars().allMatch(c -> c >= ' ' && c < 0x7F))
                    .distinct()
                    .toList();
            return texts.isEmpty() ? nothing() : new Seen.Texts(texts);
        } catch (NotFoundException e) {
            return nothing();
        }
    }

    private static Seen nothing() {
        return new Seen.Nothing(
                "No code was found in the photo. Hold it straight, fill the picture with it, mind glare.");
    }
}
