package codrane.app.job;

import codrane.core.job.Job;
import codrane.core.vin.Vin;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "vehicle")
class VehicleEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String vin;
    String pack;
    String model;
    Instant createdAt;

    Job.Vehicle vehicle() {
        return new Job.Vehicle(id, new Vin(vin), pack, model);
    }
}
