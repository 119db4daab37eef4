package codrane.app.squares;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.Writer;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.datamatrix.DataMatrixWriter;
import com.google.zxing.qrcode.QRCodeWriter;
import java.nio.charset.StandardCharsets;
import java.util.Map;

/**
 * A code for a camera, drawn as squares.
 *
 * @param text that it says
 * @param path of the dark squares, one unit each, beside a quiet zone
 * @param size units a side, the quiet zone included
 */
public record CodePicture(String text, String path, int size) {
    private static final int QUIET = 4;

    /** @throws IllegalArgumentException when the text is too long for it */
    public static CodePicture qr(String text) {
        return of(new QRCodeWriter(), BarcodeFormat.QR_CODE, text);
    }

    /** As on parts: small, and read even when a corner is dirty. */
    public static CodePicture dataMatrix(String text) {
        return of(new DataMatrixWriter(), BarcodeFormat.DATA_MATRIX, text);
    }

    private static CodePicture of(Writer writer, BarcodeFormat format, String text) {
        BitMatrix squares;
        try {
            squares = writer.encode(
                    text,
                    format,
                    0,
                    0,
                    Map.of(EncodeHintType.MARGIN, 0, EncodeHintType.CHARACTER_SET, StandardCharsets.UTF_8.name()));
        } catch (WriterException e) {
            throw new IllegalArgumentException("too long for a code: " + text, e);
        }
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < squares.getHeight(); y++)
            for (int x = 0; x < squares.getWidth(); x++)
                if (squares.get(x, y))
                    path.append('M')
                            .append(x + QUIET)
                            .append(' ')
                            .append(y + QUIET)
                            .append("h1v1h-1z");
        return new CodePicture(text, path.toString(), squares.getWidth() + 2 * QUIET);
    }
}
