package codrane.app.live;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface StepRepository extends JpaRepository<StepEntity, Long> {
    List<StepEntity> findByRunIdOrderByNumber(long runId, Limit limit);

    List<StepEntity> findByRunIdInAndPurposeInOrderById(Collection<Long> runIds, Collection<String> purposes);
}
