package codrane.app.stage.unlock;

import codrane.app.access.Access;
import codrane.app.job.Viewer;
import codrane.app.live.Background;
import codrane.core.job.JobState;
import org.springframework.stereotype.Component;

/** Asks the authority what it knows of the workshop, in the background: a page never waits for it. */
@Component
class AskAuthority {
    private final Access access;
    private final Background background;

    AskAuthority(Access access, Background background) {
        this.access = access;
        this.background = background;
    }

    /**
     * Has it asked, when a person comes to look.
     *
     * @return whether it is being asked
     */
    boolean look(JobState state, Viewer viewer) {
        String authority = state.pack().gateway().orElseThrow().authority();
        String work = "authority " + authority;
        if (!viewer.again()) background.begin(work, () -> access.refresh(authority));
        return background.underWay(work);
    }
}
