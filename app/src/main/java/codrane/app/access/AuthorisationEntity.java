package codrane.app.access;

import codrane.core.access.Authorisation;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What an authority granted for a vehicle; the grant itself is not kept. */
@Entity
@Table(name = "authorisation")
class AuthorisationEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long vehicleId;
    long jobId;
    String authority;
    String tool;
    String technician;
    Instant grantedAt;
    Instant until;

    @Nullable
    Instant provenAt;

    @Nullable
    Instant endedAt;

    String whyEnded = "";

    Authorisation authorisation() {
        return new Authorisation(
                id,
                authority,
                tool,
                technician,
                grantedAt,
                until,
                Optional.ofNullable(provenAt),
                Optional.ofNullable(endedAt),
                whyEnded);
    }
}
