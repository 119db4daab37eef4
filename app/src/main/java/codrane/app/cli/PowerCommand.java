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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** {@code power REQUEST.json [--json]}: state of charge, voltage through a run, and whether to begin. */
final class PowerCommand {
    private static final int CURVE_STEP_SECONDS = 10;
    private static final int MOST_SECONDS = 86_400;
    private static final long LONGEST = 1L << 20;

    private PowerCommand() {}

    static int run(Arguments arguments, Output output) throws IOException {
        arguments.take(1);
        Path file = InputFile.path(arguments.onlyWord("REQUEST.json"));
        arguments.end();
        JsonNode request = read(file);
        Battery battery = battery(request.path("battery"));
        PowerWindow window = window(request, battery.chemistry().upperVolts());
        PowerForecast forecast = PowerForecast.of(battery, unit(request), loads(request), window);
        Map<String, Object> object = Output.object("power");
        object.put("decision", forecast.decision().name().toLowerCase(Locale.ROOT));
        object.put("reason", forecast.reason());
        object.put("stateOfCharge", charge(forecast));
        object.put("gates", gates(window));
        forecast.secondsToStart().ifPresent(seconds -> object.put("minutesToStart", (seconds + 59) / 60));
        object.put("supportUnitRatingA", rounded(forecast.ratingA()));
        forecast.withUnit().ifPresent(curve -> object.put("withUnit", curve(curve)));
        object.put("withoutUnit", curve(forecast.withoutUnit()));
        output.result(
                object,
                String.format(
                        Locale.ROOT,
                        "%s: %s State of charge %.0f %% (%.0f to %.0f). A support unit of %.0f A would do.",
                        forecast.decision(),
                        forecast.reason(),
                        forecast.charge().percent(),
                        forecast.charge().low(),
                        forecast.charge().high(),
                        forecast.ratingA()));
        return forecast.decision() == PowerForecast.Decision.GO ? Main.GOOD : Main.FOUND;
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

    private static Map<String, Object> charge(PowerForecast forecast) {
        Map<String, Object> charge = new LinkedHashMap<>();
        charge.put("percent", rounded(forecast.charge().percent()));
        charge.put("low", rounded(forecast.charge().low()));
        charge.put("high", rounded(forecast.charge().high()));
        charge.put("reasons", forecast.charge().reasons());
        return charge;
    }

    private static Map<String, Object> gates(PowerWindow window) {
        Map<String, Object> gates = new LinkedHashMap<>();
        gates.put("startVolts", window.start());
        gates.put("holdVolts", window.hold());
        gates.put("criticalVolts", window.critical());
        gates.put("upperVolts", window.upper());
        return gates;
    }

    private static Map<String, Object> curve(Curve curve) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("leastVolts", rounded(curve.leastVolts()));
        out.put("usedAh", rounded(curve.usedAh()));
        out.put("endPercent", rounded(curve.endPercent()));
        List<Double> volts = new ArrayList<>();
        for (int i = CURVE_STEP_SECONDS - 1; i < curve.volts().size(); i += CURVE_STEP_SECONDS)
            volts.add(rounded(curve.volts().get(i)));
        out.put("stepMs", CURVE_STEP_SECONDS * 1000);
        out.put("volts", volts);
        return out;
    }

    private static double rounded(double value) {
        return Math.round(value * 1000) / 1000.0;
    }
}
