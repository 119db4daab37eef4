package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.scale.TyreSize;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code scale tyre CODED FITTED [--json]}. */
@Command(name = "tyre", description = "What a vehicle shows that is coded for one tyre and rolls on another.")
final class ScaleTyreCommand extends Asked {
    @Parameters(index = "0", paramLabel = "CODED", description = "as on the side of the tyre: 215/65R16C")
    private String coded;

    @Parameters(index = "1", paramLabel = "FITTED")
    private String fitted;

    private record Told(
            List<String> sizes,
            List<Double> diameterMm,
            List<Double> circumferenceMm,
            List<Double> revolutionsPerKm,
            double speedRatio,
            boolean readsLow,
            String sentence) {}

    @Override
    public Integer call() {
        TyreSize one = size("CODED", coded);
        TyreSize other = size("FITTED", fitted);
        List<TyreSize> both = List.of(one, other);
        boolean low = one.speedRatio(other) > 1;
        double ratio = Math.round(one.speedRatio(other) * 10_000) / 10_000.0;
        String sentence = String.format(
                Locale.ROOT,
                "At 100 km/h shown the vehicle goes %.1f km/h%s.",
                ratio * 100,
                low ? ": a speedometer must never show less than that" : "");
        Told told = new Told(
                List.of(coded.strip(), fitted.strip()),
                both.stream().map(t -> tenths(t.diameter())).toList(),
                both.stream().map(t -> tenths(t.circumference())).toList(),
                both.stream().map(t -> tenths(t.revolutionsPerKm())).toList(),
                ratio,
                low,
                sentence);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 2; i++)
            text.append("%s: diameter %s mm, rolls %s mm%n"
                    .formatted(
                            told.sizes().get(i),
                            told.diameterMm().get(i),
                            told.circumferenceMm().get(i)));
        output().result("scale-tyre", told, text + sentence);
        return Main.GOOD;
    }

    private static TyreSize size(String what, String text) {
        return TyreSize.parse(text)
                .orElseThrow(() -> new UsageException(
                        what + ": \"" + InputFile.quoted(text) + "\" is no size of a tyre (expected as 215/65R16C)"));
    }

    private static double tenths(double mm) {
        return Math.round(mm * 10) / 10.0;
    }
}
