package codrane.app.stage.settle;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.live.JobTasks;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.notes.Notes;
import codrane.core.job.JobState;
import codrane.core.job.stage.SettleStage;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.run.Reply;
import codrane.core.text.Words;
import codrane.link.DiagnosticLink;
import codrane.link.scan.VehicleScanner;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Settle: says nothing to the vehicle for as long as its modules take to fall asleep, then looks whether they do. */
@Component
class SettleActs {
    private static final Duration SECOND = Duration.ofSeconds(1);

    private final Acts acts;
    private final JobTasks tasks;
    private final Interfaces interfaces;
    private final Notes notes;

    SettleActs(Acts acts, JobTasks tasks, Interfaces interfaces, Notes notes) {
        this.acts = acts;
        this.tasks = tasks;
        this.interfaces = interfaces;
        this.notes = notes;
    }

    Acted watch(long number, String who) {
        return acts.beginAlone(number, who, SettleStage.WATCH).then(state -> {
            tasks.begin(number, "Watching the vehicle go to sleep", teller -> {
                SleepStored seen = watched(state, teller);
                acts.keep(number, who, SettleStage.WATCH.said(), now -> {
                    notes.put(now.job().id(), SleepStored.KIND, seen, who);
                    return Acted.done();
                });
            });
            return Acted.done();
        });
    }

    private SleepStored watched(JobState state, JobTasks.Teller teller) {
        BenchInterface bench =
                interfaces.of(state.pack()).orElseThrow(() -> new TaskFailedException(BenchInterface.NONE_SPEAKS));
        // held all the while: what asks a vehicle keeps it awake
        return bench.use(state.pack(), link -> {
            Optional<Integer> key = bench.readKey(state.pack(), link);
            if (key.filter(position -> position > 0).isPresent())
                throw new TaskFailedException("The key is still on: turn it off, take it out, then watch again.");
            long silent = SettleStage.silentSeconds(state);
            silence(silent, teller);
            return look(state.pack(), link, silent, key.isPresent());
        });
    }

    private static void silence(long seconds, JobTasks.Teller teller) {
        for (long done = 0; done < seconds; done++) {
            teller.tell("Nobody at doors or key. Seconds waited:", done, seconds);
            try {
                Thread.sleep(SECOND);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new TaskFailedException("The watching was ended before its time: watch again.");
            }
        }
    }

    /** @param spoke whether anything answered before: else a cable that is out looks the same as sleep */
    private static SleepStored look(Pack pack, DiagnosticLink link, long silent, boolean spoke) {
        VehicleScanner scanner = new VehicleScanner(link, pack);
        Optional<PackModule> awake = pack.modules().values().stream()
                .filter(module -> !(scanner.greet(module) instanceof Reply.Silent))
                .findFirst();
        String after = " after " + Words.lasting(silent) + " without a word.";
        return awake.map(module -> new SleepStored(false, module.title() + " still answered" + after))
                .orElseGet(() -> new SleepStored(
                        true,
                        "Nothing answered any more" + after
                                + (spoke
                                        ? ""
                                        : " Nothing had answered before it either: it slept already, or the cable is out;"
                                                + " the scan that follows tells which.")));
    }
}
