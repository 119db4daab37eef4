package codrane.app.stage.decide;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface FavouriteRepository extends JpaRepository<FavouriteEntity, Long> {
    List<FavouriteEntity> findByPackOrderBySetting(String pack, Limit limit);

    Optional<FavouriteEntity> findByPackAndSetting(String pack, String setting);
}
