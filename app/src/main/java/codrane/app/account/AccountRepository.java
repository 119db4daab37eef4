package codrane.app.account;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface AccountRepository extends JpaRepository<AccountEntity, Long> {
    Optional<AccountEntity> findByName(String name);
}
