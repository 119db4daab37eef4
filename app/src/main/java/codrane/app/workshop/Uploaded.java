package codrane.app.workshop;

import java.io.IOException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartFile;

/** Uploads that are taken into the heap whole. What may be larger goes over the disk. */
public final class Uploaded {
    public static final long LONGEST = 32L << 20;

    private Uploaded() {}

    /** @throws MaxUploadSizeExceededException above 32 MiB */
    public static byte[] octets(MultipartFile file) throws IOException {
        if (file.getSize() > LONGEST) throw new MaxUploadSizeExceededException(LONGEST);
        return file.getBytes();
    }
}
