package codrane.app.access;

import org.springframework.data.jpa.repository.JpaRepository;

interface AccountAtRepository extends JpaRepository<AccountAtEntity, String> {}
