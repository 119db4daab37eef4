package codrane.app.job;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.util.Map;

/**
 * The address of a job's seat side, for a phone's camera.
 *
 * @param path of the dark squares, one unit each
 * @param size squares a side, the quiet zone included
 */
public record SeatCode(String address, String path, int size) {
    private static final int QUIET = 4;

    public static SeatCode of(String address) {
        BitMatrix squares;
        try {
            squares = new QRCodeWriter()
                    .encode(address, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, QUIET));
        } catch (WriterException e) {
            throw new IllegalArgumentException("too long for a code: " + address, e);
        }
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < squares.getHeight(); y++)
            for (int x = 0; x < squares.getWidth(); x++)
                if (squares.get(x, y))
                    path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
        return new SeatCode(address, path.toString(), squares.getWidth());
    }

    /** Whether only this computer finds it. */
    public boolean loopback() {
        return address.contains("//127.") || address.contains("//localhost") || address.contains("//[::1]");
    }
}
