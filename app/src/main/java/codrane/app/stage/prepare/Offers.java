package codrane.app.stage.prepare;

import codrane.app.live.Background;
import codrane.app.shelf.MakerServiceClient;
import codrane.app.shelf.MakerServiceClient.ServiceException;
import codrane.core.calibration.Manifest;
import codrane.core.job.JobState;
import codrane.core.job.stage.PrepareStage;
import codrane.core.text.Words;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** What the maker's service offers for a module: asked in the background, so that a page never waits for it. */
@Component
class Offers {
    private static final Duration FRESH = Duration.ofMinutes(2);
    private static final Duration FRESH_TROUBLE = Duration.ofSeconds(15);
    private static final int MOST_KEPT = 200;

    private final MakerServiceClient service;
    private final Background background;
    private final InstantSource time;
    private final Map<String, Answer> answers = new ConcurrentHashMap<>();

    Offers(MakerServiceClient service, Background background, InstantSource time) {
        this.service = service;
        this.background = background;
        this.time = time;
    }

    /**
     * What the service said last.
     *
     * @param trouble why it could not be asked; empty when it could
     */
    record Answer(List<Manifest> offers, String trouble, Instant at) {
        private boolean fresh(Instant now) {
            return now.isBefore(at.plus(trouble.isEmpty() ? FRESH : FRESH_TROUBLE));
        }
    }

    /** @param asking whether it is being asked now */
    record Known(Optional<Answer> answer, boolean asking) {
        static final Known NOTHING_TO_ASK = new Known(Optional.empty(), false);
    }

    /** What is known; what is old is asked again meanwhile. */
    Known of(JobState state) {
        if (state.plan().isEmpty() || state.replaced().isEmpty() || PrepareStage.byMail(state))
            return Known.NOTHING_TO_ASK;
        String key = state.pack().id() + "/" + state.replaced().get().id();
        Optional<Answer> known = Optional.ofNullable(answers.get(key));
        if (known.map(a -> !a.fresh(time.instant())).orElse(true))
            background.begin("offers " + key, () -> {
                if (answers.size() > MOST_KEPT) answers.clear();
                answers.put(key, ask(state));
            });
        return new Known(known, known.isEmpty());
    }

    private Answer ask(JobState state) {
        try {
            return new Answer(now(state), "", time.instant());
        } catch (ServiceException e) {
            return new Answer(List.of(), Words.said(e), time.instant());
        }
    }

    /**
     * Asks now, for an act.
     *
     * @throws ServiceException when it can't be asked
     */
    List<Manifest> now(JobState state) {
        return service.calibrations(state.pack(), state.job().replacedModule().orElseThrow());
    }
}
