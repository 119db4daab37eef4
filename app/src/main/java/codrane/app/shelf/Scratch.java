package codrane.app.shelf;

import codrane.app.workshop.CodraneSettings;
import codrane.core.octets.PagedMemory;
import codrane.core.octets.Source;
import codrane.link.file.FileSource;
import codrane.link.file.ScratchFile;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;
import org.springframework.web.multipart.MultipartFile;

/** Room on this computer's disk for files on their way: none of them is ever whole in the heap. */
@Component
public class Scratch {
    private final Path folder;

    Scratch(CodraneSettings settings) throws IOException {
        folder = settings.var().resolve("scratch");
        FileSystemUtils.deleteRecursively(folder); // what was on its way when the application was killed
        Files.createDirectories(folder);
    }

    /** Writes a file. */
    interface Writer {
        void write(OutputStream out) throws IOException;
    }

    /** For the data of one file. */
    PagedMemory.Backing pages() {
        return new ScratchFile(folder);
    }

    /** An uploaded file, as long as it is used. */
    public <T> T with(MultipartFile file, Function<Source, T> use) throws IOException {
        try (InputStream in = file.getInputStream();
                FileSource source = written(in::transferTo)) {
            return use.apply(source);
        }
    }

    /** A file that has no name any more; its room goes when it is closed. */
    FileSource written(Writer writer) {
        try {
            Path path = Files.createTempFile(folder, "", "");
            try {
                try (OutputStream out = Files.newOutputStream(path)) {
                    writer.write(out);
                }
                return new FileSource(path);
            } finally {
                Files.delete(path);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
