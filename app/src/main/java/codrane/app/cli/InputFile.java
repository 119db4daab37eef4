package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.link.file.FileSource;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.function.Supplier;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a command reads: a plain file, no longer than its kind may be, and read no further than that. */
final class InputFile {
    private static final int DEEPEST = 100;
    private static final int LONGEST_TEXT = 2_000_000;
    private static final int QUOTED = 40;
    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxStringLength(LONGEST_TEXT)
                            .maxNumberLength(100)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .build();

    private InputFile() {}

    /** @throws UsageException when the name can be no file's here */
    static Path path(String name) {
        try {
            return Path.of(name);
        } catch (InvalidPathException e) {
            throw new UsageException("\"" + quoted(name) + "\" is no name that a file can have here");
        }
    }

    /** @param most octets; a file that is longer is not read */
    static byte[] octets(Path file, long most) throws IOException {
        check(file, most);
        try (InputStream in = Files.newInputStream(file)) {
            byte[] content = in.readNBytes((int) Math.min(most + 1, Integer.MAX_VALUE - 8));
            if (content.length > most) throw new IOException(file + " is longer than " + size(most));
            return content;
        }
    }

    /** As {@link #octets}, for what does not fit into the heap. */
    static FileSource source(Path file, long most) throws IOException {
        check(file, most);
        return new FileSource(file);
    }

    private static void check(Path file, long most) throws IOException {
        if (!Files.exists(file)) throw new IOException("there is no file " + file);
        if (Files.isDirectory(file)) throw new IOException(file + " is a folder, no file");
        if (!Files.isRegularFile(file))
            throw new IOException(file + " is no plain file: a device or a pipe is not read");
        if (!Files.isReadable(file)) throw new IOException(file + " may not be read");
        if (Files.size(file) > most) throw new IOException(file + " is longer than " + size(most));
    }

    private static String size(long octets) {
        return octets >= 1 << 20 ? octets / (1 << 20) + " MB" : octets / 1000 + " kB";
    }

    /** @throws IOException when it is no UTF-8, naming the octet */
    static String text(Path file, long most) throws IOException {
        byte[] octets = octets(file, most);
        CharsetDecoder decoder = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
        ByteBuffer in = ByteBuffer.wrap(octets);
        CharBuffer out = CharBuffer.allocate(octets.length + 1);
        try {
            var result = decoder.decode(in, out, true);
            if (result.isError()) result.throwException();
        } catch (CharacterCodingException e) {
            throw new IOException(
                    file + " is not UTF-8 text: octet " + (in.position() + 1) + " is "
                            + "%02X".formatted(octets[in.position()] & 0xFF),
                    e);
        }
        return out.flip().toString();
    }

    /** @throws UsageException when it is not readable as JSON, or holds a member twice */
    static JsonNode json(Path file, long most) throws IOException {
        String text = text(file, most);
        return parsed(file, () -> JSON.readTree(unmarked(text)));
    }

    /** As {@link #json}, of a text that was read, as maps and lists. */
    static Object tree(Path file, String text) {
        return parsed(file, () -> JSON.readValue(unmarked(text), Object.class));
    }

    /** Some editors put a mark before the first character. */
    private static String unmarked(String text) {
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static <T> T parsed(Path file, Supplier<T> read) {
        try {
            return read.get();
        } catch (StreamConstraintsException e) {
            throw new UsageException(file + ": not readable as JSON: nested deeper than " + DEEPEST
                    + ", or a text or number without end");
        } catch (JacksonException e) {
            String where = e.getLocation() == null || e.getLocation().getLineNr() < 1
                    ? ""
                    : " (line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr() + ")";
            throw new UsageException(file + ": not readable as JSON: " + quoted(e.getOriginalMessage(), 160) + where);
        }
    }

    /** What was typed, cut to what a person reads, without control characters. */
    static String quoted(String text) {
        return quoted(text, QUOTED);
    }

    private static String quoted(String text, int most) {
        String plain = text.replaceAll("\\p{Cntrl}", "?");
        return plain.length() > most ? plain.substring(0, most) + "…" : plain;
    }
}
