package codrane.app.access;

import codrane.app.live.Background;
import java.time.Duration;
import java.time.InstantSource;
import org.springframework.stereotype.Component;

/** Asks an authority what it knows of the workshop, in the background: a page never waits for it. */
@Component
public class AskAuthority {
    private final Access access;
    private final Background background;
    private final InstantSource time;

    AskAuthority(Access access, Background background, InstantSource time) {
        this.access = access;
        this.background = background;
        this.time = time;
    }

    /**
     * Has it asked, when a person comes to look.
     *
     * @param again whether the page was loaded anew by itself: it is not asked for again
     * @return whether it is being asked
     */
    public boolean look(String authority, boolean again) {
        String work = "authority " + authority;
        if (!again) background.beginAnew(work, () -> access.refresh(authority));
        return background.underWay(work);
    }

    /** Unless it was asked just now. */
    boolean look(String authority, boolean again, Duration fresh) {
        boolean just = access.known(authority)
                .filter(k -> k.trouble().isEmpty())
                .filter(k -> k.account().askedAt().plus(fresh).isAfter(time.instant()))
                .isPresent();
        return look(authority, again || just);
    }
}
