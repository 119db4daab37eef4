package codrane.app.photos;

import codrane.app.shelf.FileStore;
import codrane.core.octets.Source;
import java.awt.image.BufferedImage;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Photos of jobs. */
@Component
@Transactional
public class Photos {
    /** How a photo of a line sheet is called, from which it is typed. */
    public static final String SHEET = "Line sheet";

    private static final int MOST = 24;
    private static final int LARGEST = 20 << 20;
    private static final int LONGEST_CAPTION = 80;

    private final PhotoRepository photos;
    private final FileStore files;
    private final InstantSource time;

    Photos(PhotoRepository photos, FileStore files, InstantSource time) {
        this.photos = photos;
        this.files = files;
        this.time = time;
    }

    /** A photo of a job. */
    public record Photo(long id, String caption, Instant at, String who) {
        /** Where it is shown. */
        public String href(long job) {
            return "/jobs/" + job + "/photos/" + id;
        }
    }

    /** Oldest first. */
    @Transactional(readOnly = true)
    public List<Photo> of(long jobId) {
        return photos.findByJobIdOrderById(jobId).stream()
                .map(p -> new Photo(p.id, p.caption, p.at, p.who))
                .toList();
    }

    /** @return why not, as a sentence; nothing was kept then */
    public Optional<String> add(long jobId, byte[] upload, String caption, String who) {
        if (upload.length > LARGEST) return Optional.of("The picture is larger than 20 MB.");
        if (photos.countByJobId(jobId) >= MOST)
            return Optional.of("A job keeps " + MOST + " photos, and so many are here.");
        Optional<BufferedImage> image = Picture.read(upload);
        if (image.isEmpty())
            return Optional.of("This is no picture that can be read: JPEG or PNG, up to 50 megapixels.");
        String words = caption.strip();
        String sha256 = files.put(Source.of(Picture.encode(image.get())));
        PhotoEntity photo = new PhotoEntity();
        photo.jobId = jobId;
        photo.caption = words.length() > LONGEST_CAPTION ? words.substring(0, LONGEST_CAPTION) : words;
        photo.sha256 = sha256;
        photo.at = time.instant();
        photo.who = who;
        photos.save(photo);
        return Optional.empty();
    }

    /** JPEG. */
    public Optional<byte[]> content(long jobId, long id) {
        return photos.findByJobIdAndId(jobId, id).flatMap(p -> files.octets(p.sha256));
    }
}
