package codrane.app.policy;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** The workshop's answer to a judgement call. */
@Entity
@Table(name = "workshop_policy")
class AnswerEntity {
    @Id
    String school;

    String answer;
    Instant at;
    String who;
}
