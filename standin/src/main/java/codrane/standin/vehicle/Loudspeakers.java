package codrane.standin.vehicle;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.standin.module.ModuleState;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a microphone in the middle of the cabin hears of a sweep: the cabin's own colour, and what the variant of the
 * announcements does against it. Made up, as the variants are.
 */
final class Loudspeakers {
    private static final double FROM_HZ = 40;
    private static final double TO_HZ = 20_000;
    private static final int STEPS_PER_OCTAVE = 12;
    private static final double RATTLE_DB = 0.4;

    private Loudspeakers() {}

    /** Empty when no module of the vehicle has a sound variant. */
    static Optional<Map<String, Object>> heard(SimulatedVehicle vehicle) {
        for (var server : vehicle.servers()) {
            for (Layout layout : server.state().layouts())
                if (layout.field("variant").isPresent()) {
                    return Optional.of(sweep(vehicle, variant(layout, server.state())));
                }
        }
        return Optional.empty();
    }

    private static String variant(Layout layout, ModuleState state) {
        Bytes block = state.coding(layout.dataIdentifier());
        return layout.decode(block).getOrDefault("variant", "");
    }

    private static Map<String, Object> sweep(SimulatedVehicle vehicle, String variant) {
        List<Double> hz = new ArrayList<>();
        List<Double> db = new ArrayList<>();
        double step = Math.pow(2, 1.0 / STEPS_PER_OCTAVE);
        int n = 0;
        for (double f = FROM_HZ; f < TO_HZ; f *= step) {
            hz.add(Math.round(f * 10) / 10.0);
            double level = -20 + cabin(f) + helps(variant, f) + RATTLE_DB * Math.sin(7.3 * n++);
            db.add(Math.round(level * 100) / 100.0);
        }
        Map<String, Object> heard = new LinkedHashMap<>();
        heard.put("vin", new String(vehicle.vehicleVin().toArray(), java.nio.charset.StandardCharsets.US_ASCII));
        heard.put("hz", hz);
        heard.put("db", db);
        return heard;
    }

    /** It booms, swallows the voice, and rings. */
    private static double cabin(double hz) {
        return hump(hz, 110, 6, 0.5)
                + hump(hz, 900, -7, 0.9)
                + hump(hz, 3200, 5, 0.5)
                - Math.max(0, octaves(hz, 9000) * 4);
    }

    private static double helps(String variant, double hz) {
        return switch (variant) {
            case "speech" -> hump(hz, 900, 6, 0.9) + hump(hz, 3200, -4, 0.5) + hump(hz, 110, 3, 0.7);
            case "wide" -> hump(hz, 110, -5, 0.5) + hump(hz, 900, 2, 0.9) + Math.max(0, octaves(hz, 9000) * 3);
            default -> 0;
        };
    }

    private static double hump(double hz, double middle, double db, double width) {
        double away = octaves(hz, middle) / (2 * width);
        return db * Math.exp(-away * away);
    }

    private static double octaves(double hz, double from) {
        return Math.log(hz / from) / Math.log(2);
    }
}
