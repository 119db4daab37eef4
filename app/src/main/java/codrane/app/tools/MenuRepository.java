package codrane.app.tools;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface MenuRepository extends JpaRepository<MenuEntity, Long> {
    String ENTRY = "select new codrane.app.tools.MenuMap$Entry(m.operation, m.module, m.tool, m.wording, m.path,"
            + " m.warning, j.number) from MenuEntity m, JobEntity j where j.id = m.jobId and ";
    String ORDER = " order by m.operation, m.module, m.tool, m.at desc";

    @Query(ENTRY + "m.pack = :pack and j.closedAt is not null and j.closedWhy = ''" + ORDER)
    List<MenuMap.Entry> ofPack(String pack, Limit limit);

    @Query(ENTRY + "m.jobId = :jobId" + ORDER)
    List<MenuMap.Entry> ofJob(long jobId, Limit limit);

    Optional<MenuEntity> findByPackAndOperationAndModuleAndToolAndPath(
            String pack, String operation, String module, String tool, String path);
}
