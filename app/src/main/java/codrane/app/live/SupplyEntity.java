package codrane.app.live;

import codrane.core.power.SupplyRecord;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;

/** The supply over one stretch of a run, from its start or its recovery on. */
@Entity
@Table(name = "run_supply")
class SupplyEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long runId;
    Instant begunAt;
    double hold;
    double upperLimit;
    List<Integer> millivolts;

    void take(SupplyRecord supply) {
        begunAt = supply.begun();
        hold = supply.hold();
        upperLimit = supply.upper();
        millivolts = supply.millivolts();
    }

    SupplyRecord told() {
        return new SupplyRecord(begunAt, hold, upperLimit, millivolts);
    }
}
