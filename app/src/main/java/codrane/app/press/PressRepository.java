package codrane.app.press;

import java.time.Instant;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PressRepository extends JpaRepository<PressEntity, String> {
    /** Waits for whoever uses the same key in a transaction. */
    @Query(value = "select cast(pg_advisory_xact_lock(hashtext(:key)) as text)", nativeQuery = true)
    String lock(String key);

    @Modifying
    @Query("delete from PressEntity p where p.at < :before")
    void forget(Instant before);
}
