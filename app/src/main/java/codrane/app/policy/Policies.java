package codrane.app.policy;

import codrane.core.plan.School;
import java.time.InstantSource;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The workshop's answers to judgement calls. */
@Component
@Transactional
public class Policies {
    private final AnswerRepository answers;
    private final InstantSource time;

    Policies(AnswerRepository answers, InstantSource time) {
        this.answers = answers;
        this.time = time;
    }

    public void answer(School school, String answer, String who) {
        AnswerEntity entity = answers.findById(school.key()).orElseGet(AnswerEntity::new);
        entity.school = school.key();
        entity.answer = answer;
        entity.at = time.instant();
        entity.who = who;
        answers.save(entity);
    }

    /** Without those of a school, or an answer, that is no more. */
    @Transactional(readOnly = true)
    public Map<School, String> answers() {
        Map<School, String> known = new EnumMap<>(School.class);
        for (AnswerEntity entity : answers.findAll())
            School.of(entity.school)
                    .filter(s -> s.answers().contains(entity.answer))
                    .ifPresent(s -> known.put(s, entity.answer));
        return known;
    }
}
