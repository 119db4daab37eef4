package codrane.app.stage.decide;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A setting that this workshop changes often in vehicles of a model. */
@Entity
@Table(name = "favourite_setting")
class FavouriteEntity {
    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String pack;
    String setting;
    Instant at;
    String who;
}
