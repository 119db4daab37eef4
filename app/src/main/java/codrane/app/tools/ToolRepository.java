package codrane.app.tools;

import org.springframework.data.jpa.repository.JpaRepository;

interface ToolRepository extends JpaRepository<ToolEntity, String> {}
