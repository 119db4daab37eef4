package codrane.app.press;

import java.time.Duration;
import java.time.InstantSource;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps which forms were pressed, so that what is pressed twice is done once. */
@Component
@Transactional
public class Presses {
    private static final Duration KEPT = Duration.ofDays(2);

    private final PressRepository presses;
    private final InstantSource time;

    Presses(PressRepository presses, InstantSource time) {
        this.presses = presses;
        this.time = time;
    }

    /** Waits for others who press with this key. */
    public void lock(String key) {
        presses.lock(key);
    }

    @Transactional(readOnly = true)
    public Optional<LastAct> of(String key) {
        return presses.findById(key).map(p -> new LastAct(p.what, p.who, p.at));
    }

    /** @param jobId null for a form that makes a job */
    public void put(String key, @Nullable Long jobId, LastAct act) {
        PressEntity press = presses.findById(key).orElseGet(PressEntity::new);
        press.key = key;
        press.jobId = jobId;
        press.what = act.what();
        press.who = act.who();
        press.at = act.at();
        presses.save(press);
    }

    /** Keys are needed as long as a page may stand open. */
    @Scheduled(fixedDelay = 1, initialDelay = 1, timeUnit = TimeUnit.HOURS)
    void forgetOld() {
        presses.forget(time.instant().minus(KEPT));
    }
}
