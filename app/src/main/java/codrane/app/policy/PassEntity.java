package codrane.app.policy;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** The workshop's pass to a maker's service: the one that runs longest. */
@Entity
@Table(name = "maker_pass")
class PassEntity {
    @Id
    String service;

    Instant until;
    Instant at;
    String who;
}
