package codrane.app.shelf;

import codrane.core.calibration.Shelved;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A calibration that the workshop has; its content lies among the files. */
@Entity
@Table(name = "calibration")
class CalibrationEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String manifestId;
    String pack;
    String module;
    String softwareAfter;
    int form;
    String manifest;
    String sha256;
    Instant fetchedAt;

    Shelved shelved() {
        return new Shelved(id, ManifestStored.read(form, manifest), fetchedAt);
    }
}
