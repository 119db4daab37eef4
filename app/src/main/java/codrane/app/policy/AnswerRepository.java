package codrane.app.policy;

import org.springframework.data.jpa.repository.JpaRepository;

interface AnswerRepository extends JpaRepository<AnswerEntity, String> {}
