package codrane.app.baseline;

import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineFile;
import codrane.core.baseline.CanonicalJson;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.ObjectMapper;

/** A baseline as a file to take away: JSON, the same as tables, and the hash by which a change by hand is seen. */
final class BaselineArchive {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String CONTENT = "baseline.json";
    private static final String HASH = "sha256.txt";
    private static final int MOST_ENTRIES = 12;
    private static final int LONGEST = 16 << 20;

    private BaselineArchive() {}

    /** What a file was. */
    sealed interface Taken {
        record Good(Baseline baseline, BaselineFile file) implements Taken {}

        /** @param reason as a sentence; nothing was kept */
        record Bad(String reason) implements Taken {}
    }

    static byte[] zip(String json, BaselineFile file) {
        Map<String, String> entries = new LinkedHashMap<>();
        entries.put(CONTENT, json);
        entries.put(HASH, Baseline.hash(json) + "  " + CONTENT + "\n");
        entries.put("identification.csv", identification(file));
        entries.put("settings.csv", settings(file));
        entries.put("values.csv", values(file));
        entries.put("faults.csv", faults(file));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, String> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue().getBytes(StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("memory does not fail", e);
        }
        return out.toByteArray();
    }

    private interface Rows {
        void print(CSVPrinter printer) throws IOException;
    }

    private static String csv(String[] header, Rows rows) {
        StringWriter text = new StringWriter();
        CSVFormat format = CSVFormat.RFC4180.builder().setHeader(header).get();
        try (CSVPrinter printer = new CSVPrinter(text, format)) {
            rows.print(printer);
        } catch (IOException e) {
            throw new UncheckedIOException("memory does not fail", e);
        }
        return text.toString();
    }

    /** A table program runs what begins like a formula: such a cell gets an apostrophe before it. */
    private static void row(CSVPrinter printer, String... cells) throws IOException {
        List<String> safe = new ArrayList<>();
        for (String cell : cells) {
            boolean formula = !cell.isEmpty() && "=+-@\t\r\n".indexOf(cell.charAt(0)) >= 0;
            safe.add(formula ? "'" + cell : cell);
        }
        printer.printRecord(safe);
    }

    private static String identification(BaselineFile file) {
        return csv(new String[] {"module", "what", "value"}, printer -> {
            for (var module : file.modules())
                for (var entry : module.identification().entrySet())
                    row(printer, module.id(), entry.getKey(), entry.getValue());
        });
    }

    private static String settings(BaselineFile file) {
        return csv(new String[] {"module", "block", "setting", "value", "raw"}, printer -> {
            for (var module : file.modules())
                for (var block : module.coding()) {
                    row(printer, module.id(), block.id(), "", "", block.raw().hex());
                    for (var value : block.values().entrySet())
                        row(printer, module.id(), block.id(), value.getKey(), value.getValue(), "");
                }
        });
    }

    private static String values(BaselineFile file) {
        return csv(new String[] {"module", "kind", "key", "value", "unit", "raw"}, printer -> {
            for (var module : file.modules()) {
                for (var m : module.live())
                    row(
                            printer,
                            module.id(),
                            "live",
                            m.key(),
                            m.value(),
                            m.unit(),
                            m.raw().hex());
                for (var m : module.adaptations())
                    row(
                            printer,
                            module.id(),
                            "adaptation",
                            m.key(),
                            m.value(),
                            m.unit(),
                            m.raw().hex());
            }
        });
    }

    private static String faults(BaselineFile file) {
        return csv(new String[] {"module", "code", "status", "title"}, printer -> {
            for (var module : file.modules())
                for (var fault : module.faults())
                    row(printer, module.id(), fault.code(), String.valueOf(fault.status()), fault.title());
        });
    }

    /** Reads what somebody brings: the archive with its hash, or the JSON alone. */
    static Taken take(byte[] upload) {
        boolean zipped = upload.length > 1 && upload[0] == 'P' && upload[1] == 'K';
        if (!zipped) return judge(new String(upload, StandardCharsets.UTF_8), "");
        try {
            Map<String, String> entries = unzip(upload);
            if (!entries.containsKey(CONTENT) || !entries.containsKey(HASH))
                return new Taken.Bad("The archive holds no " + CONTENT + " with its " + HASH + ".");
            return judge(entries.get(CONTENT), entries.get(HASH).strip());
        } catch (IOException | IllegalArgumentException e) {
            return new Taken.Bad("The archive can't be read: " + e.getMessage() + ".");
        }
    }

    /** Only the two files that matter are unpacked, and no more of them than a baseline can be. */
    private static Map<String, String> unzip(byte[] upload) throws IOException {
        Map<String, String> entries = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(upload))) {
            int count = 0;
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (++count > MOST_ENTRIES) throw new IOException("it has more than " + MOST_ENTRIES + " files");
                byte[] content = zip.readNBytes(LONGEST + 1);
                if (content.length > LONGEST) throw new IOException("a file in it is longer than 16 MiB");
                if (entry.getName().equals(CONTENT) || entry.getName().equals(HASH))
                    entries.put(entry.getName(), new String(content, StandardCharsets.UTF_8));
            }
        }
        return entries;
    }

    /** @param expected begins with the hash; empty when none came along */
    private static Taken judge(String json, String expected) {
        if (json.length() > LONGEST) return new Taken.Bad("It is longer than 16 MiB.");
        try {
            Object tree = JSON.readValue(json, Object.class);
            if (!(BaselineFile.read(tree) instanceof BaselineFile.Read.File(BaselineFile file)))
                return new Taken.Bad(((BaselineFile.Read.Bad) BaselineFile.read(tree)).reason());
            boolean asWritten = CanonicalJson.of(tree).equals(json);
            boolean asHashed = expected.isEmpty() || expected.startsWith(Baseline.hash(json));
            if (!asWritten || !asHashed)
                return new Taken.Bad("The baseline was changed by hand: its "
                        + (asHashed ? "text is not as it was written" : "hash does not fit") + ". It is not taken.");
            return new Taken.Good(new Baseline(json, Baseline.hash(json)), file);
        } catch (JacksonException | IllegalArgumentException e) {
            return new Taken.Bad("This is no baseline: it can't be read as JSON.");
        }
    }
}
