package codrane.app.account;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface AccountRepository extends JpaRepository<AccountEntity, Long> {
    Optional<AccountEntity> findByName(String name);

    boolean existsByNameIgnoreCase(String name);

    List<AccountEntity> findByOrderByName();

    /** Waits for others who change them: so that two leads can't remove each other at once. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select a from AccountEntity a where a.role = codrane.app.account.Role.LEAD and a.disabled = false")
    List<AccountEntity> lockLeads();
}
