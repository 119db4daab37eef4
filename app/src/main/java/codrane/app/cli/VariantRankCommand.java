package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.app.sound.ResponseCsv;
import codrane.core.response.FrequencyResponse;
import codrane.core.response.FrequencyResponse.Band;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code variant rank A.csv B.csv… [--band speech|full] [--json]}. */
@Command(name = "rank", description = "Measured frequency responses, the flattest first.")
final class VariantRankCommand extends Asked {
    private static final long LONGEST = 4L << 20;

    @Parameters(arity = "2..*", paramLabel = "FILE.csv", description = "rows of hz,db")
    private List<String> names;

    @Option(names = "--band", paramLabel = "speech|full", description = "speech 160 Hz to 8 kHz, full 63 Hz to 16 kHz")
    private String band = Band.SPEECH.key();

    private record Ranked(String file, double flatnessDb) {}

    private record Told(String band, List<Ranked> ranking) {}

    @Override
    public Integer call() throws IOException {
        Band chosen = Arrays.stream(Band.values())
                .filter(b -> b.key().equals(band))
                .findFirst()
                .orElseThrow(() ->
                        new UsageException("--band: \"" + InputFile.quoted(band) + "\" (expected speech or full)"));
        if (names.stream().distinct().count() < names.size()) throw new UsageException("a file is named twice");
        List<Ranked> ranking = new ArrayList<>();
        for (String name : names) {
            FrequencyResponse response = response(name);
            if (!response.covers(chosen))
                throw new UsageException(name + " does not reach over the band " + chosen.key());
            ranking.add(new Ranked(name, Math.round(response.flatness(chosen) * 100) / 100.0));
        }
        ranking.sort(Comparator.comparingDouble(Ranked::flatnessDb));
        StringBuilder text = new StringBuilder();
        for (Ranked ranked : ranking)
            text.append(String.format(Locale.ROOT, "%.2f dB  %s%n", ranked.flatnessDb(), ranked.file()));
        output().result(
                        "variant-rank",
                        new Told(chosen.key(), ranking),
                        text.toString().stripTrailing());
        return Main.GOOD;
    }

    private static FrequencyResponse response(String name) throws IOException {
        try {
            return ResponseCsv.read(InputFile.text(InputFile.path(name), LONGEST));
        } catch (IllegalArgumentException e) {
            throw new UsageException(name + ": " + InputFile.quoted(String.valueOf(e.getMessage())));
        }
    }
}
