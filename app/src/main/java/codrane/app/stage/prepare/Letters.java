package codrane.app.stage.prepare;

import codrane.core.ready.Letter;
import codrane.core.ready.RequestLetter;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps requests by mail, one a module of a job. */
@Component
@Transactional
class Letters {
    private final LetterRepository letters;
    private final InstantSource time;

    Letters(LetterRepository letters, InstantSource time) {
        this.letters = letters;
        this.time = time;
    }

    @Transactional(readOnly = true)
    Map<Long, List<Letter>> of(Collection<Long> jobIds) {
        return letters.findByJobIdInOrderById(jobIds).stream()
                .collect(Collectors.groupingBy(
                        l -> l.jobId, Collectors.mapping(LetterEntity::letter, Collectors.toList())));
    }

    /** Drafts anew, unless it was sent. */
    void draft(long jobId, String module, RequestLetter draft, String who) {
        LetterEntity letter = letters.findByJobIdAndModule(jobId, module).orElseGet(LetterEntity::new);
        if (letter.sentAt != null) return;
        letter.jobId = jobId;
        letter.module = module;
        letter.recipient = draft.to();
        letter.subject = draft.subject();
        letter.body = draft.body();
        letter.reference = draft.reference();
        letter.draftedAt = time.instant();
        letter.draftedBy = who;
        letters.save(letter);
    }

    void sent(Letter letter, Instant due) {
        LetterEntity entity = letters.findById(letter.id()).orElseThrow();
        entity.sentAt = time.instant();
        entity.dueAt = due;
        entity.lostAt = null;
    }

    /** The mail room knows nothing of it: it waits to be sent anew. */
    void lost(Letter letter) {
        LetterEntity entity = letters.findById(letter.id()).orElseThrow();
        entity.sentAt = null;
        entity.dueAt = null;
        entity.lostAt = time.instant();
    }

    /** @param as the file's name */
    void arrived(Letter letter, String as) {
        LetterEntity entity = letters.findById(letter.id()).orElseThrow();
        entity.arrivedAt = time.instant();
        entity.arrivedAs = as;
    }
}
