package codrane.app.intake;

import codrane.app.shelf.FileStore;
import java.awt.image.BufferedImage;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Photos of jobs. */
@Component
public class Photos {
    private static final int MOST = 24;
    private static final int LARGEST = 20 << 20;

    private final IntakeStore store;
    private final FileStore files;
    private final InstantSource time;

    Photos(IntakeStore store, FileStore files, InstantSource time) {
        this.store = store;
        this.files = files;
        this.time = time;
    }

    /** @return why not, as a sentence; nothing was kept then */
    public Optional<String> add(long jobId, byte[] upload, String caption, String who) {
        if (upload.length > LARGEST) return Optional.of("The picture is larger than 20 MB.");
        if (store.photos(jobId).size() >= MOST)
            return Optional.of("A job keeps " + MOST + " photos, and so many are here.");
        Optional<BufferedImage> image = Picture.read(upload);
        if (image.isEmpty())
            return Optional.of("This is no picture that can be read: JPEG or PNG, up to 50 megapixels.");
        String words = caption.strip();
        String sha256 = files.put(Picture.encode(image.get()));
        store.addPhoto(
                jobId,
                new IntakeStore.Photo(
                        0, words.length() > 80 ? words.substring(0, 80) : words, sha256, time.instant(), who));
        return Optional.empty();
    }

    /** JPEG. */
    public Optional<byte[]> content(long jobId, long id) {
        return store.photo(jobId, id).flatMap(p -> files.get(p.sha256()));
    }
}
