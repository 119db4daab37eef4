package codrane.link;

import codrane.core.power.SupplyReading;
import java.util.Optional;

/** Measures the vehicle's supply voltage, apart from the diagnostic link. */
public interface SupplyMeter {
    /** @return empty when it can't be measured now; unknown voltage never passes a gate */
    Optional<SupplyReading> read();
}
