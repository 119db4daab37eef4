package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.power.Battery;
import codrane.core.power.Chemistry;
import codrane.core.power.PowerForecast;
import codrane.core.power.PowerForecast.Curve;
import codrane.core.power.PowerForecast.Load;
import codrane.core.power.PowerForecast.SupportUnit;
import codrane.core.power.PowerWindow;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

/** {@code power REQUEST.json [--json]}: state of charge, voltage through a run, and whether to begin. */
@Command(name = "power", description = "State of charge, voltage through a run, and whether to begin.")
final class PowerCommand extends Asked {
    private static final int CURVE_STEP_SECONDS = 10;
    private static final int MOST_SECONDS = 86_400;
    private static final long LONGEST = 1L << 20;

    @Parameters(paramLabel = "REQUEST.json")
    private String name;

    private record Charge(double percent, double low, double high, List<String> reasons) {}

    private record Gates(double startVolts, double holdVolts, double criticalVolts, double upperVolts) {}

    private record Volts(double leastVolts, double usedAh, double endPercent, int stepMs, List<Double> volts) {}

    private record Told(
            String decision,
            String reason,
            Charge stateOfCharge,
            Gates gates,
            Optional<Integer> minutesToStart,
            double supportUnitRatingA,
            Optional<Volts> withUnit,
            Volts withoutUnit) {}

    @Override
    public Integer call() throws IOException {
        JsonNode request = read(InputFile.path(name));
        Battery battery = battery(request.path("battery"));
        PowerWindow window = window(request, battery.upperVolts());
        PowerForecast forecast = PowerForecast.of(battery, unit(request), loads(request), window);
        output().result("power", told(forecast, window), text(forecast));
        return forecast.decision() == PowerForecast.Decision.GO ? Main.GOOD : Main.FOUND;
    }

    private static Told told(PowerForecast forecast, PowerWindow window) {
        return new Told(
                forecast.decision().name().toLowerCase(Locale.ROOT),
                forecast.reason(),
                new Charge(
                        rounded(forecast.charge().percent()),
                        rounded(forecast.charge().low()),
                        rounded(forecast.charge().high()),
                        forecast.charge().reasons()),
                new Gates(window.start(), window.hold(), window.critical(), rounded(window.upper())),
                forecast.secondsToStart().map(seconds -> (seconds + 59) / 60),
                rounded(forecast.ratingA()),
                forecast.withUnit().map(PowerCommand::volts),
                volts(forecast.withoutUnit()));
    }

    private static String text(PowerForecast forecast) {
        return String.format(
                Locale.ROOT,
                "%s: %s State of charge %.0f %% (%.0f to %.0f). A support unit of %.0f A would do.",
                forecast.decision(),
                forecast.reason(),
                forecast.charge().percent(),
                forecast.charge().low(),
                forecast.charge().high(),
                forecast.ratingA());
    }

    private static JsonNode read(Path file) throws IOException {
        JsonNode request = InputFile.json(file, LONGEST);
        if (!request.isObject()) throw new UsageException(file + ": an object is needed");
        known(request, "", Set.of("schema", "battery", "supportUnit", "load", "operation"));
        known(
                request.path("battery"),
                "battery.",
                Set.of("chemistry", "capacityAh", "restVolts", "restedHours", "celsius"));
        known(request.path("supportUnit"), "supportUnit.", Set.of("setVolts", "limitA"));
        for (JsonNode load : request.path("load")) known(load, "load.", Set.of("seconds", "amperes"));
        return request;
    }

    /** A misspelt member would be passed over in silence, and something else assumed. */
    private static void known(JsonNode object, String at, Set<String> names) {
        for (String name : object.propertyNames())
            if (!names.contains(name))
                throw new UsageException(at + InputFile.quoted(name) + ": there is no such member; known are "
                        + names.stream().sorted().collect(Collectors.joining(", ")));
    }

    private static Battery battery(JsonNode in) {
        String key = in.path("chemistry").asString("");
        Chemistry chemistry = Chemistry.of(key)
                .orElseThrow(() -> new UsageException(
                        "battery.chemistry: \"" + InputFile.quoted(key) + "\" (expected flooded, efb, agm or lfp)"));
        return new Battery(
                chemistry,
                number(in, "battery.capacityAh", 1, 2000, Optional.empty()),
                number(in, "battery.restVolts", 0, 20, Optional.empty()),
                number(in, "battery.restedHours", 0, 10_000, Optional.of(0.0)),
                number(in, "battery.celsius", -50, 80, Optional.of(25.0)));
    }

    private static Optional<SupportUnit> unit(JsonNode request) {
        if (!request.has("supportUnit")) return Optional.empty();
        JsonNode in = request.path("supportUnit");
        return Optional.of(new SupportUnit(
                number(in, "supportUnit.setVolts", 10, 16, Optional.empty()),
                number(in, "supportUnit.limitA", 1, 1000, Optional.empty())));
    }

    private static List<Load> loads(JsonNode request) {
        List<Load> loads = new ArrayList<>();
        for (JsonNode in : request.path("load")) {
            loads.add(new Load(
                    (int) number(in, "load.seconds", 1, MOST_SECONDS, Optional.empty()),
                    number(in, "load.amperes", 0, 1000, Optional.empty())));
        }
        if (loads.isEmpty()) throw new UsageException("load: a list of seconds and amperes is needed");
        if (loads.stream().mapToLong(Load::seconds).sum() > MOST_SECONDS)
            throw new UsageException("load: longer than a day");
        return loads;
    }

    private static PowerWindow window(JsonNode request, double upper) {
        String operation = request.path("operation").asString("programming");
        return switch (operation) {
            case "coding" -> PowerWindow.coding(upper);
            case "programming" -> PowerWindow.programming(upper);
            case "demanding" -> PowerWindow.demanding(upper);
            default ->
                throw new UsageException("operation: \"" + InputFile.quoted(operation)
                        + "\" (expected coding, programming or demanding)");
        };
    }

    private static double number(JsonNode in, String path, double least, double most, Optional<Double> otherwise) {
        JsonNode value = in.path(path.substring(path.indexOf('.') + 1));
        if (value.isMissingNode() && otherwise.isPresent()) return otherwise.get();
        if (!value.isNumber() || value.asDouble() < least || value.asDouble() > most)
            throw new UsageException(path + ": a number from " + least + " to " + most + " is needed");
        return value.asDouble();
    }

    private static Volts volts(Curve curve) {
        List<Double> volts = new ArrayList<>();
        for (int i = CURVE_STEP_SECONDS - 1; i < curve.volts().size(); i += CURVE_STEP_SECONDS)
            volts.add(rounded(curve.volts().get(i)));
        return new Volts(
                rounded(curve.leastVolts()),
                rounded(curve.usedAh()),
                rounded(curve.endPercent()),
                CURVE_STEP_SECONDS * 1000,
                volts);
    }

    private static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
