package codrane.link.run;

import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;

/** Where every step is written before it is sent, and closed after. */
public interface RunJournal {
    /** Must be durable when it returns: the action goes on the wire next. */
    void open(RunState state, RunAction action);

    void close(RunState state, RunAction action, Reply reply);
}
