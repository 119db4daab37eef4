package codrane.app.job;

import org.springframework.data.jpa.repository.JpaRepository;

interface PointerRepository extends JpaRepository<PointerEntity, Long> {}
