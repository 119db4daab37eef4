package codrane.app.policy;

import org.springframework.data.jpa.repository.JpaRepository;

interface PassRepository extends JpaRepository<PassEntity, String> {}
